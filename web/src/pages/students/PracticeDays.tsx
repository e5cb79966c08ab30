import { Box, Flex, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { DayBoxes } from "../../components/DayBoxes";
import { dayAndMonth, minutes } from "../../components/dates";
import { Paper, PartHead } from "../../components/Paper";
import { t } from "../../words";

type Week = Schemas["PastWeek"];

/** The practice days of the weeks gone by: a box a day, the steps of a week a tap
 * away, and what a repetition takes. */
export function PracticeDays({ weeks, timing }: { weeks: Week[]; timing: string[] }) {
  if (weeks.length === 0) return null;
  return (
    <Paper
      as="section"
      aria-label={t("students.practice_days.practice_days")}
      p="12px 18px"
      mt="12px"
    >
      <PartHead beside={t("students.practice_days.legend")}>
        {t("students.practice_days.practice_days")}
      </PartHead>
      {timing.map((one) => (
        <Text key={one} mt="4px">
          {one}
        </Text>
      ))}
      <Box mt="6px" css={{ columns: "2 420px", columnGap: "32px" }}>
        {weeks.map((week) => (
          <WeekRow key={week.next_lesson} week={week} />
        ))}
      </Box>
    </Paper>
  );
}

function WeekRow({ week }: { week: Week }) {
  return (
    <details style={{ breakInside: "avoid", padding: "2px 0" }}>
      <summary style={{ cursor: "pointer" }}>
        <Flex as="span" display="inline-flex" gap="12px" align="center" verticalAlign="middle">
          <Text as="span" w="62px" fontWeight={650}>
            {dayAndMonth(week.starts)}
          </Text>
          <DayBoxes days={week.days} />
          <Text as="span" fontSize="sm" color="soft">
            {t("students.practice_days.of_days_of", {
              practised: week.practised,
              count: week.planned,
              done: minutes(week.minutes),
              of: minutes(week.planned_minutes),
            })}
          </Text>
        </Flex>
      </summary>
      <Box as="ul" pl="34px" pb="6px" fontSize="sm">
        {week.steps.map((step) => (
          <li key={`${step.piece}/${step.title}`}>
            {step.title}{" "}
            <Text as="span" color="soft">
              ({step.piece})
            </Text>
            : {t("students.practice_days.of_times", { done: step.done, count: step.of })}
          </li>
        ))}
        {week.steps.length === 0 && <li>{t("students.practice_days.nothing_was_planned")}</li>}
      </Box>
    </details>
  );
}
