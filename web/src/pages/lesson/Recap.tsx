import { Box, Flex, Text, Textarea } from "@chakra-ui/react";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { Paper, PartHead } from "../../components/Paper";
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
      <PartHead>Recap for {lesson.student.name}</PartHead>
      <Textarea
        aria-label={`Recap for ${lesson.student.name}`}
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
            Write again from the plan
          </Button>
        )}
        <Text fontSize="sm" color="soft" role="status">
          {!own
            ? "follows the plan until you write"
            : lesson.lesson.by
              ? `${lesson.lesson.by} wrote last`
              : kept.waits
                ? "in your words, being kept …"
                : "in your words, kept"}
        </Text>
      </Flex>
      {kept.stale ? (
        <Box role="alert" bg="brickSoft" p="8px" mt="6px" fontSize="sm">
          <Text>
            {kept.stale.by ?? "Someone else"} wrote to {lesson.student.name} meanwhile:
          </Text>
          <Text whiteSpace="pre-wrap" maxH="120px" overflowY="auto">
            {kept.stale.recap}
          </Text>
          <Flex gap="6px" mt="4px">
            <Button size="xs" onClick={kept.takeTheirs}>
              Take theirs
            </Button>
            <Button size="xs" kind="go" onClick={kept.keepMine}>
              Keep mine
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
      <PartHead>Notes for you: theory pages, other work</PartHead>
      <Textarea
        aria-label="Notes for you"
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
