import { Box, Flex, Text, Textarea } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { useWriteLesson } from "../../api/queries";
import { Button } from "../../parts/Button";
import { Notice } from "../../parts/Notice";
import { Paper, PartHead } from "../../parts/Paper";
import { useCalm } from "../../parts/useCalm";
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

/** Keeps what is typed, a moment after the last key; what could not be kept stays
 * in the browser. */
function useKept(lesson: Lesson, field: "recap" | "notes", start: string | null) {
  const place = `stairwell-${field}-${lesson.student.id}-${lesson.today}`;
  const [typed, setTyped] = useState<string | null>(() => localStorage.getItem(place) ?? start);
  const write = useWriteLesson(lesson.student.id);
  const calm = useCalm(typed);
  const stored = field === "recap" ? lesson.lesson.recap : lesson.lesson.notes;
  const stale = write.error?.problem.code === "stale" ? (write.error.problem.kept as Lesson["lesson"]) : null;
  const save = () => {
    if (typed === null || typed === stored || write.isPending || stale) return;
    write.mutate(
      { [field]: typed, version: lesson.lesson.version },
      { onSuccess: () => localStorage.getItem(place) === typed && localStorage.removeItem(place) },
    );
  };
  // A moment after the last key, and once more when more was typed while it was
  // being kept; what was refused is not sent again by itself.
  const refused = write.isError && write.variables?.[field] === typed;
  // biome-ignore lint/correctness/useExhaustiveDependencies: only what was typed sets it off
  useEffect(() => {
    if (!refused) save();
  }, [calm, write.isPending]);
  const type = (text: string) => {
    localStorage.setItem(place, text);
    setTyped(text);
  };
  return { typed, type, setTyped, save, write, stale, place };
}

function Told({ lesson }: { lesson: Lesson }) {
  const kept = useKept(lesson, "recap", lesson.lesson.recap);
  const own = kept.typed !== null;
  const again = () => {
    localStorage.removeItem(kept.place);
    kept.setTyped(null);
    kept.write.mutate({ recap: null, version: lesson.lesson.version });
  };
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
          <Button size="xs" onClick={again}>
            Write again from the plan
          </Button>
        )}
        <Text fontSize="sm" color="soft">
          {own ? "in your words" : "follows the plan until you write"}
        </Text>
      </Flex>
      {kept.stale ? (
        <Box role="alert" bg="brickSoft" p="8px" mt="6px" fontSize="sm">
          <Text>Someone else wrote to {lesson.student.name} meanwhile:</Text>
          <Text whiteSpace="pre-wrap" maxH="120px" overflowY="auto">
            {kept.stale.recap}
          </Text>
          <Flex gap="6px" mt="4px">
            <Button
              size="xs"
              onClick={() => {
                localStorage.removeItem(kept.place);
                kept.setTyped(kept.stale?.recap ?? null);
                kept.write.reset();
              }}
            >
              Take theirs
            </Button>
            <Button
              size="xs"
              kind="go"
              onClick={() => kept.write.mutate({ recap: kept.typed, version: kept.stale?.version ?? 0 })}
            >
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
  const kept = useKept(lesson, "notes", lesson.lesson.notes);
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
