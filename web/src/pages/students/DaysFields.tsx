import { Box, Flex, Input, Text } from "@chakra-ui/react";
import type { UseFormReturn } from "react-hook-form";
import { Button } from "../../components/Button";
import { FROM_MONDAY, shortWeekday, weekdayName } from "../../components/dates";
import { t } from "../../words";
import type { Typed } from "./StudentForm";

/** On which days a student practises, and how long where that differs. */
export function DaysFields({ form }: { form: UseFormReturn<Typed> }) {
  const { watch, setValue, formState } = form;
  const days = watch("practice_days");
  const byDay = (watch("minutes_by_day") ?? {}) as Record<number, number>;
  const toggle = (day: number) =>
    setValue(
      "practice_days",
      days.includes(day) ? days.filter((one) => one !== day) : [...days, day],
    );
  return (
    <Box as="fieldset" mt="12px" border={0} p={0}>
      <Text as="legend" fontWeight={600} mb="4px">
        {t("students.student_form.practice_days")}
      </Text>
      <Flex gap="6px" wrap="wrap">
        {FROM_MONDAY.map((day) => (
          <Button
            key={day}
            kind="toggle"
            size="sm"
            type="button"
            aria-pressed={days.includes(day)}
            onClick={() => toggle(day)}
          >
            {shortWeekday(day)}
          </Button>
        ))}
      </Flex>
      <Flex gap="6px" wrap="wrap" mt="6px" align="center">
        <Text fontSize="sm" color="soft">
          {t("students.student_form.other_minutes_on")}
        </Text>
        {FROM_MONDAY.filter((day) => days.includes(day)).map((day) => (
          <Text as="span" key={day} fontSize="sm">
            {shortWeekday(day)}{" "}
            <Input
              type="number"
              size="xs"
              w="58px"
              min={5}
              max={240}
              borderColor="line"
              aria-label={t("students.student_form.minutes_on", { day: weekdayName(day) })}
              placeholder={String(watch("minutes_a_day"))}
              value={byDay[day] || ""}
              onChange={(event) =>
                setValue("minutes_by_day", { ...byDay, [day]: Number(event.target.value) })
              }
            />
          </Text>
        ))}
      </Flex>
      {formState.errors.practice_days && (
        <Text role="alert" color="brick" mt="4px">
          {formState.errors.practice_days.message}
        </Text>
      )}
    </Box>
  );
}
