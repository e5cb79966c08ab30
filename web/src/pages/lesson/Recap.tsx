import { Box, Flex, Text, Textarea } from "@chakra-ui/react";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { Paper, PartHead } from "../../components/Paper";
import { t } from "../../words";
import { Lent } from "./Lent";
import type { Lesson } from "./results";
import { useKept } from "./useKept";

/** What the student is told, written from the plan until the teacher writes; and
 * what is noted for the teacher. */
export function Recap({ lesson }: { lesson: Lesson }) {
  const { student } = lesson;
  return (
    <Paper p="10px 14px" display="flex" flexDirection="column" gap="8px">
      <Told lesson={lesson} />
      <Noted lesson={lesson} />
      <Lent student={student.id} lent={lesson.lent} />
    </Paper>
  );
}

function Told({ lesson }: { lesson: Lesson }) {
  const kept = useKept(lesson, "recap");
  const own = kept.typed !== null;
  return (
    <Box>
      <PartHead>{t("lesson.recap.recap_for", { student: lesson.student.name })}</PartHead>
      <Textarea
        aria-label={t("lesson.recap.recap_for", { student: lesson.student.name })}
        data-key="r"
        mt="4px"
        borderColor="line"
        lineHeight={1.4}
        minH="290px"
        maxLength={6000}
        value={own ? (kept.typed ?? "") : lesson.recap}
        onChange={(event) => kept.type(event.target.value)}
        onBlur={kept.save}
      />
      <Flex gap="8px" mt="4px" align="center" wrap="wrap">
        {own && (
          <Button size="xs" onClick={() => kept.put(null)}>
            {t("lesson.recap.write_again_from_the_plan")}
          </Button>
        )}
        <Text fontSize="sm" color="soft" role="status">
          {!own
            ? t("lesson.recap.follows_the_plan_until_you_write")
            : lesson.lesson.by
              ? t("lesson.recap.wrote_last", { by: lesson.lesson.by })
              : kept.waits
                ? t("lesson.recap.in_your_words_being_kept")
                : t("lesson.recap.in_your_words_kept")}
        </Text>
      </Flex>
      {kept.stale ? (
        <Box role="alert" bg="brickSoft" p="8px" mt="6px" fontSize="sm">
          <Text>
            {t("lesson.recap.wrote_meanwhile", {
              by: kept.stale.by ?? t("lesson.recap.someone_else"),
              student: lesson.student.name,
            })}
          </Text>
          <Text whiteSpace="pre-wrap" maxH="120px" overflowY="auto">
            {kept.stale.recap}
          </Text>
          <Flex gap="6px" mt="4px">
            <Button size="xs" onClick={kept.takeTheirs}>
              {t("lesson.recap.take_theirs")}
            </Button>
            <Button size="xs" kind="go" onClick={kept.keepMine}>
              {t("lesson.recap.keep_mine")}
            </Button>
          </Flex>
        </Box>
      ) : (
        <Notice trouble={kept.write.error} />
      )}
    </Box>
  );
}

function Noted({ lesson }: { lesson: Lesson }) {
  const kept = useKept(lesson, "notes");
  return (
    <Box>
      <PartHead>{t("lesson.recap.notes_for_you_theory_pages_other")}</PartHead>
      <Textarea
        aria-label={t("lesson.recap.notes_for_you")}
        data-key="l"
        borderColor="line"
        minH="48px"
        rows={2}
        maxLength={4000}
        value={kept.typed ?? ""}
        onChange={(event) => kept.type(event.target.value)}
        onBlur={kept.save}
      />
      <Notice trouble={kept.write.error} />
    </Box>
  );
}
