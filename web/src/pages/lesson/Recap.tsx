import { Box, Flex, Text, Textarea } from "@chakra-ui/react";
import { keptOf, type Schemas } from "../../api/client";
import { useWriteLesson } from "../../api/queries";
import { Button } from "../../components/Button";
import { Conflict } from "../../components/Conflict";
import { Notice } from "../../components/Notice";
import { Paper, PartHead } from "../../components/Paper";
import { SavingState } from "../../components/SavingState";
import { type Stored, useAutosave } from "../../components/useAutosave";
import { t } from "../../words";
import { Lent } from "./Lent";
import type { Lesson } from "./results";

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

type Words = string | null;

/** One of a lesson's own texts, kept as it is typed. */
function useWords(lesson: Lesson, field: "recap" | "notes") {
  const write = useWriteLesson(lesson.student.id);
  const { version } = lesson.lesson;
  return useAutosave<Words, Schemas["LessonNotes"], Stored<Words> & { by: string | null }>({
    shelf: `stairwell-${field}-${lesson.student.id}-${lesson.today}`,
    stored: { value: lesson.lesson[field], version },
    sending: {
      ...write,
      mutateAsync: ({ value, version }) => write.mutateAsync({ [field]: value, version }),
      variables: write.variables && {
        value: write.variables[field] ?? null,
        version: write.variables.version,
      },
    },
    versionOf: (saved) => saved.version,
    theirs: (trouble) => {
      const words = keptOf(trouble, "lesson");
      return words && { by: words.by, value: words[field], version: words.version };
    },
  });
}

function Told({ lesson }: { lesson: Lesson }) {
  const kept = useWords(lesson, "recap");
  const own = kept.value !== null;
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
        value={kept.value ?? lesson.recap}
        onChange={(event) => kept.set(event.target.value)}
        onBlur={kept.save}
      />
      <Flex gap="8px" mt="4px" align="center" wrap="wrap">
        {own && (
          <Button size="xs" onClick={() => kept.put(null)}>
            {t("lesson.recap.write_again_from_the_plan")}
          </Button>
        )}
        <SavingState
          saving={kept.state}
          again={kept.again}
          said={kept.state === "saved" ? whose(lesson, own) : null}
        />
      </Flex>
      <Meanwhile lesson={lesson} kept={kept} />
    </Box>
  );
}

function whose(lesson: Lesson, own: boolean) {
  if (!own) return t("lesson.recap.follows_the_plan_until_you_write");
  return lesson.lesson.by
    ? t("lesson.recap.wrote_last", { by: lesson.lesson.by })
    : t("lesson.recap.in_your_words_kept");
}

/** What another teacher wrote meanwhile, or why it could not be kept. */
function Meanwhile({ lesson, kept }: { lesson: Lesson; kept: ReturnType<typeof useWords> }) {
  const { stale } = kept;
  if (!stale) return <Notice trouble={kept.trouble} />;
  return (
    <Conflict
      said={t("lesson.recap.wrote_meanwhile", {
        by: stale.by ?? t("components.conflict.someone_else"),
        student: lesson.student.name,
      })}
      onTheirs={() => kept.settle(stale.value)}
      onMine={() => kept.settle(kept.value)}
    >
      <Text whiteSpace="pre-wrap" maxH="120px" overflowY="auto" fontSize="sm">
        {stale.value}
      </Text>
    </Conflict>
  );
}

function Noted({ lesson }: { lesson: Lesson }) {
  const kept = useWords(lesson, "notes");
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
        value={kept.value ?? ""}
        onChange={(event) => kept.set(event.target.value)}
        onBlur={kept.save}
      />
      {kept.state !== "saved" && <SavingState saving={kept.state} again={kept.again} />}
      <Meanwhile lesson={lesson} kept={kept} />
    </Box>
  );
}
