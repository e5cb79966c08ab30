import { Flex } from "@chakra-ui/react";
import { useForm } from "react-hook-form";
import type { Schemas, Trouble } from "../../api/client";
import { Button } from "../../components/Button";
import { Choice } from "../../components/Choice";
import { FROM_MONDAY, weekdayName } from "../../components/dates";
import { Labelled } from "../../components/Labelled";
import { Notice } from "../../components/Notice";
import { Stretches } from "../../components/Stretches";
import { t } from "../../words";
import { DaysFields } from "./DaysFields";
import { LessonFields } from "./LessonFields";
import { MoreFields } from "./MoreFields";

type Values = Schemas["NewStudent"];
/** What the student knows is typed in one line. */
export type Typed = Values & { knows: string };
type Props = {
  start?: Values;
  verb: string;
  trouble: Trouble | null;
  busy: boolean;
  onSave: (values: Values) => void;
  /** Saves, and begins the next one. */
  onNext?: (values: Values) => void;
  onCancel: () => void;
};

/** What is so of most. */
export const NEW: Values = {
  name: "",
  child: false,
  practice_days: [1, 2, 3, 4, 5],
  minutes_a_day: 20,
  rows_a_week: null,
  lesson_weekday: 1,
  lesson_time: "16:00",
  hand_order: "right",
  hand_span: null,
  has_pedal: true,
  warm_ups: "none",
  absent: [],
  minutes_by_day: {},
  note_names: "letters",
  counting: "bar",
  email: null,
  locale: null,
  class_name: null,
  instrument: null,
  reads: true,
  known: [],
  lesson_minutes: 30,
  more_lessons: [],
  contacts: [],
};

/** What Stairwell has to know of a student to plan a week. */
export function StudentForm({ start = NEW, verb, trouble, busy, onSave, onNext, onCancel }: Props) {
  const form = useForm<Typed>({
    defaultValues: { ...start, knows: (start.known ?? []).join(", ") },
  });
  const { register, handleSubmit, watch, setValue, setError } = form;
  const submit = ({ knows, ...values }: Typed, then = onSave) => {
    if (values.practice_days.length === 0)
      return setError("practice_days", {
        message: t("students.student_form.choose_at_least_one_day_to"),
      });
    then({
      ...values,
      child: String(values.child) === "true",
      teacher_id: Number(values.teacher_id) || undefined,
      minutes_a_day: Number(values.minutes_a_day),
      rows_a_week: Number(values.rows_a_week) || null,
      lesson_weekday: Number(values.lesson_weekday),
      lesson_minutes: Number(values.lesson_minutes),
      more_lessons: values.more_lessons?.map((one) => ({
        weekday: Number(one.weekday),
        time: one.time,
        minutes: Number(one.minutes),
        teacher_id: Number(one.teacher_id) || null,
      })),
      contacts: values.contacts?.map((one) => ({ ...one, locale: one.locale || null })),
      hand_span: Number(values.hand_span) || null,
      has_pedal: String(values.has_pedal) === "true",
      email: values.email || null,
      locale: values.locale || null,
      class_name: values.class_name?.trim() || null,
      instrument: values.instrument || null,
      reads: String(values.reads) === "true",
      known: knows
        .split(",")
        .map((one) => one.trim())
        .filter(Boolean),
      introduce_first:
        String(values.introduce_first ?? "") === ""
          ? undefined
          : String(values.introduce_first) === "true",
      minutes_by_day: Object.fromEntries(
        Object.entries(values.minutes_by_day ?? {}).filter(
          ([day, minutes]) => values.practice_days.includes(Number(day)) && Number(minutes) > 0,
        ),
      ),
    });
  };

  return (
    <form onSubmit={handleSubmit((values) => submit(values))}>
      <Flex gap="16px" wrap="wrap" align="flex-end">
        <Labelled
          label={t("students.student_form.name_or_nickname")}
          width="220px"
          required
          maxLength={60}
          autoFocus
          {...register("name")}
        />
        <Choice label={t("students.student_form.age")} width="170px" {...register("child")}>
          <option value="true">{t("students.student_form.child")}</option>
          <option value="false">{t("students.student_form.teenager_or_adult")}</option>
        </Choice>
        <Choice label={t("students.student_form.lesson_day")} {...register("lesson_weekday")}>
          {FROM_MONDAY.map((day) => (
            <option key={day} value={day}>
              {weekdayName(day)}
            </option>
          ))}
        </Choice>
        <Labelled
          label={t("students.student_form.lesson_time")}
          width="120px"
          required
          type="time"
          {...register("lesson_time")}
        />
        <Labelled
          label={t("students.student_form.minutes_a_day")}
          width="130px"
          required
          type="number"
          min={5}
          max={240}
          {...register("minutes_a_day")}
        />
      </Flex>
      <DaysFields form={form} />
      <details style={{ marginTop: 12 }}>
        <summary style={{ cursor: "pointer", fontWeight: 650 }}>
          {t("students.student_form.more")}
        </summary>
        <Flex gap="16px" wrap="wrap" align="flex-end" mt="10px">
          <MoreFields register={register} fresh={!start.teacher_id} />
        </Flex>
        <LessonFields form={form} />
        <Stretches
          legend={t("students.student_form.away")}
          word={t("students.student_form.away")}
          all={watch("absent") ?? []}
          onChange={(all) => setValue("absent", all)}
        />
      </details>
      <Notice trouble={trouble} />
      <Flex gap="8px" mt="14px" wrap="wrap">
        <Button type="submit" kind="go" disabled={busy}>
          {verb}
        </Button>
        {onNext && (
          <Button
            type="button"
            disabled={busy}
            onClick={handleSubmit((values) => submit(values, onNext))}
          >
            {t("students.student_form.and_the_next")}
          </Button>
        )}
        <Button type="button" onClick={onCancel}>
          {t("students.student_form.not_now")}
        </Button>
      </Flex>
    </form>
  );
}
