import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { newKey, type Schemas } from "../../api/client";
import { useCorrect } from "../../api/queries";
import { fullDay } from "../../components/dates";
import { Notice } from "../../components/Notice";
import { useMay } from "../../components/Rights";
import { Select } from "../../components/Select";
import { t } from "../../words";

type Lesson = Schemas["Student"]["lessons"][number];
const RESULTS: Schemas["Result"][] = ["not_heard", "not_yet", "shaky", "steady", "secure"];

/** A lesson that is past: what was told and heard, and a result put right. What follows from
 * it in the week is said. */
export function PastLesson({ student, lesson }: { student: number; lesson: Lesson }) {
  const correct = useCorrect(student);
  const may = useMay();
  const [open, setOpen] = useState(false);
  return (
    <details open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary style={{ cursor: "pointer" }}>
        {t("students.past.heard", { day: fullDay(lesson.day), count: lesson.results })}
        {lesson.giver && ` · ${lesson.giver}`}
      </summary>
      <Box whiteSpace="pre-wrap" fontSize="sm" pl="14px">
        {lesson.recap}
        {lesson.notes && `\n\n${t("students.past.notes", { notes: lesson.notes })}`}
      </Box>
      <Box pl="14px" mt="4px">
        {lesson.heard.map((one) => (
          <Flex
            key={`${one.assignment_id} ${one.step_id}`}
            gap="8px"
            align="center"
            fontSize="sm"
            py="1px"
          >
            <Text flex="1">
              {one.piece}: {one.title}
              {one.note && ` (${one.note})`}
            </Text>
            {may("hear") ? (
              <Select
                aria-label={t("students.past.result_of", { title: one.title })}
                value={one.result}
                disabled={correct.isPending}
                onChange={(event) =>
                  correct.mutate({
                    assignment_id: one.assignment_id,
                    step_id: one.step_id,
                    result: event.target.value as Schemas["Result"],
                    key: newKey(),
                    day: lesson.day,
                  })
                }
              >
                {RESULTS.map((result) => (
                  <option key={result} value={result}>
                    {t(`lesson.results.${result}`)}
                  </option>
                ))}
              </Select>
            ) : (
              <b>{t(`lesson.results.${one.result}`)}</b>
            )}
          </Flex>
        ))}
        {correct.data && (
          <Box role="status" fontSize="sm">
            {correct.data.changed.length === 0 && t("students.past.nothing_follows")}
            {correct.data.changed.map((one) => (
              <Text key={one}>{one}</Text>
            ))}
          </Box>
        )}
        <Notice trouble={correct.error} />
      </Box>
    </details>
  );
}
