import { Box, Field, Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import { useForm } from "react-hook-form";
import type { Schemas, Trouble } from "../../api/client";
import { Button } from "../../parts/Button";
import { Choice, FirstHand } from "../../parts/Choice";
import { dayAndMonth, FROM_MONDAY, WEEKDAYS } from "../../parts/dates";
import { Notice } from "../../parts/Notice";

type Values = Schemas["NewStudent"];
type Props = {
  start?: Values;
  verb: string;
  trouble: Trouble | null;
  busy: boolean;
  onSave: (values: Values) => void;
  onCancel: () => void;
};

const NEW: Values = {
  name: "",
  practice_days: [1, 2, 3, 4, 5],
  minutes_a_day: 20,
  begin_per_day: 2,
  lesson_weekday: 1,
  lesson_time: "16:00",
  hand_order: "right",
  hand_span: null,
  has_pedal: true,
  warm_ups: "none",
  absent: [],
};

/** Intervals a hand reaches, in semitones. */
const SPANS = [
  [5, "a fourth"],
  [7, "a fifth"],
  [9, "a sixth"],
  [11, "a seventh"],
  [12, "an octave"],
  [14, "a ninth"],
  [16, "a tenth"],
] as const;

/** What Stairwell has to know of a student to plan a week. */
export function StudentForm({ start = NEW, verb, trouble, busy, onSave, onCancel }: Props) {
  const { register, handleSubmit, watch, setValue, setError, formState } = useForm<Values>({ defaultValues: start });
  const days = watch("practice_days");
  const toggle = (day: number) =>
    setValue("practice_days", days.includes(day) ? days.filter((one) => one !== day) : [...days, day]);
  const submit = (values: Values) => {
    if (values.practice_days.length === 0)
      return setError("practice_days", { message: "Choose at least one day to practise." });
    onSave({
      ...values,
      minutes_a_day: Number(values.minutes_a_day),
      begin_per_day: Number(values.begin_per_day),
      lesson_weekday: Number(values.lesson_weekday),
      hand_span: Number(values.hand_span) || null,
      has_pedal: String(values.has_pedal) === "true",
    });
  };

  return (
    <form onSubmit={handleSubmit(submit)}>
      <Flex gap="16px" wrap="wrap" align="flex-end">
        <Field.Root w="220px" required>
          <Field.Label fontWeight={600}>Name or nickname</Field.Label>
          <Input maxLength={60} autoFocus borderColor="line" {...register("name")} />
        </Field.Root>
        <Choice label="Lesson day" {...register("lesson_weekday")}>
          {FROM_MONDAY.map((day) => (
            <option key={day} value={day}>
              {WEEKDAYS[day]}
            </option>
          ))}
        </Choice>
        <Field.Root w="120px" required>
          <Field.Label fontWeight={600}>Lesson time</Field.Label>
          <Input type="time" borderColor="line" {...register("lesson_time")} />
        </Field.Root>
        <Field.Root w="130px" required>
          <Field.Label fontWeight={600}>Minutes a day</Field.Label>
          <Input type="number" min={5} max={240} borderColor="line" {...register("minutes_a_day")} />
        </Field.Root>
        <Field.Root w="150px" required>
          <Field.Label fontWeight={600}>New steps a day</Field.Label>
          <Input type="number" min={1} max={10} borderColor="line" {...register("begin_per_day")} />
        </Field.Root>
        <FirstHand width="120px" {...register("hand_order")} />
        <Choice label="A hand reaches" width="150px" {...register("hand_span")}>
          <option value="">not measured</option>
          {SPANS.map(([semitones, words]) => (
            <option key={semitones} value={semitones}>
              {words}
            </option>
          ))}
        </Choice>
        <Choice label="Warm-ups" width="170px" {...register("warm_ups")}>
          <option value="none">none</option>
          <option value="five_finger">five fingers</option>
          <option value="scale">scale</option>
          <option value="scale_and_chords">scale and chords</option>
        </Choice>
        <Choice label="Pedal at home" width="130px" {...register("has_pedal")}>
          <option value="true">yes</option>
          <option value="false">no</option>
        </Choice>
      </Flex>
      <Box as="fieldset" mt="12px" border={0} p={0}>
        <Text as="legend" fontWeight={600} mb="4px">
          Practice days
        </Text>
        <Flex gap="6px" wrap="wrap">
          {FROM_MONDAY.map((day) => (
            <Button
              key={day}
              size="sm"
              type="button"
              aria-pressed={days.includes(day)}
              onClick={() => toggle(day)}
              css={{ "&[aria-pressed=true]": { bg: "ink", color: "sheet", borderColor: "ink" } }}
            >
              {WEEKDAYS[day]?.slice(0, 3)}
            </Button>
          ))}
        </Flex>
        {formState.errors.practice_days && (
          <Text role="alert" color="brick" mt="4px">
            {formState.errors.practice_days.message}
          </Text>
        )}
      </Box>
      <Absences all={watch("absent") ?? []} onChange={(all) => setValue("absent", all)} />
      <Notice trouble={trouble} />
      <Flex gap="8px" mt="14px">
        <Button type="submit" kind="go" disabled={busy}>
          {verb}
        </Button>
        <Button type="button" onClick={onCancel}>
          Not now
        </Button>
      </Flex>
    </form>
  );
}

type Stretch = NonNullable<Values["absent"]>[number];

/** Holidays and other days without practice. */
function Absences({ all, onChange }: { all: Stretch[]; onChange: (all: Stretch[]) => void }) {
  const [from, setFrom] = useState("");
  const [to, setTo] = useState("");
  const add = () => {
    onChange([...all, { from, to: to || from }].sort((a, b) => a.from.localeCompare(b.from)));
    setFrom("");
    setTo("");
  };
  return (
    <Box as="fieldset" mt="12px" border={0} p={0}>
      <Text as="legend" fontWeight={600} mb="4px">
        Away
      </Text>
      <Flex gap="8px" wrap="wrap" align="center">
        {all.map((one) => (
          <Button
            key={one.from + one.to}
            size="sm"
            type="button"
            aria-label={`Away ${dayAndMonth(one.from)} to ${dayAndMonth(one.to)}: take it out`}
            onClick={() => onChange(all.filter((other) => other !== one))}
          >
            {dayAndMonth(one.from)} to {dayAndMonth(one.to)} ×
          </Button>
        ))}
        <Input
          type="date"
          aria-label="Away from"
          w="150px"
          h="32px"
          borderColor="line"
          value={from}
          onChange={(event) => setFrom(event.target.value)}
        />
        to
        <Input
          type="date"
          aria-label="Away to"
          w="150px"
          h="32px"
          borderColor="line"
          value={to}
          onChange={(event) => setTo(event.target.value)}
        />
        <Button type="button" size="sm" disabled={!from} onClick={add}>
          Add
        </Button>
      </Flex>
    </Box>
  );
}
