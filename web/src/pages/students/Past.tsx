import { Box, Flex, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { useEndPiece } from "../../api/queries";
import { Button } from "../../components/Button";
import { dayAndMonth, fullDay } from "../../components/dates";
import { Notice } from "../../components/Notice";
import { Paper, PartHead } from "../../components/Paper";

const ENDED: Record<string, string> = { passed: "passed", kept: "kept ready", set_aside: "set aside" };

/** What is behind a student: the repertoire, and the lessons with what was told. */
export function Past({ student }: { student: Schemas["Student"] }) {
  const end = useEndPiece(student.id);
  if (student.repertoire.length === 0 && student.lessons.length === 0) return null;
  return (
    <Flex gap="16px" mt="12px" wrap="wrap" align="stretch">
      {student.repertoire.length > 0 && (
        <Paper as="section" aria-label="Repertoire" p="12px 18px" flex="1 1 320px">
          <PartHead>Repertoire</PartHead>
          {student.repertoire.map((one) => (
            <Flex key={one.id} gap="8px" align="baseline">
              <Text>
                <b>{one.title}</b>{" "}
                <Text as="span" color="soft" fontSize="sm">
                  {ENDED[one.ended]} {dayAndMonth(one.ended_on)}
                  {one.keep_for && `, for ${dayAndMonth(one.keep_for)}`}; assigned {dayAndMonth(one.assigned_on)}
                </Text>
              </Text>
              <Button size="xs" ml="auto" onClick={() => end.mutate({ assignment: one.id, ended: null })}>
                Take {one.title} up again
              </Button>
            </Flex>
          ))}
          <Notice trouble={end.error} />
        </Paper>
      )}
      {student.lessons.length > 0 && (
        <Paper as="section" aria-label="Lessons" p="12px 18px" flex="1 1 420px">
          <PartHead>Lessons</PartHead>
          {student.lessons.map((one) => (
            <details key={one.day}>
              <summary style={{ cursor: "pointer" }}>
                {fullDay(one.day)}: {one.results} heard
              </summary>
              <Box whiteSpace="pre-wrap" fontSize="sm" pl="14px">
                {one.recap}
                {one.notes && `\n\nNotes: ${one.notes}`}
              </Box>
            </details>
          ))}
        </Paper>
      )}
    </Flex>
  );
}
