import { Box, Field, Flex, Input, Text } from "@chakra-ui/react";
import { useForm } from "react-hook-form";
import type { Schemas, Trouble } from "../../api/client";
import { useSession, useStudents } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choice, FirstHand } from "../../components/Choice";
import { FROM_MONDAY, shortWeekday, weekdayName } from "../../components/dates";
import { Notice } from "../../components/Notice";
import { Stretches } from "../../components/Stretches";
import { t } from "../../words";

type Values = Schemas["NewStudent"];
/** What the student knows is typed in one line. */
type Typed = Values & { knows: string };
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
  minutes_by_day: {},
  note_names: "letters",
  email: null,
  locale: null,
  class_name: null,
  instrument: null,
  reads: true,
  known: [],
};

/** Intervals a hand reaches, in semitones. */
const SPANS = [5, 7, 9, 11, 12, 14, 16];

/** What Stairwell has to know of a student to plan a week. */
export function StudentForm({ start = NEW, verb, trouble, busy, onSave, onCancel }: Props) {
  const session = useSession();
  const { register, handleSubmit, watch, setValue, setError, formState } = useForm<Typed>({
    defaultValues: { ...start, knows: (start.known ?? []).join(", ") },
  });
  const students = useStudents();
  const days = watch("practice_days");
  const byDay = (watch("minutes_by_day") ?? {}) as Record<number, number>;
  const toggle = (day: number) =>
    setValue("practice_days", days.includes(day) ? days.filter((one) => one !== day) : [...days, day]);
  const submit = ({ knows, ...values }: Typed) => {
    if (values.practice_days.length === 0)
      return setError("practice_days", { message: t("students.student_form.choose_at_least_one_day_to") });
    onSave({
      ...values,
      minutes_a_day: Number(values.minutes_a_day),
      begin_per_day: Number(values.begin_per_day),
      lesson_weekday: Number(values.lesson_weekday),
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
        String(values.introduce_first ?? "") === "" ? undefined : String(values.introduce_first) === "true",
      minutes_by_day: Object.fromEntries(
        Object.entries(values.minutes_by_day ?? {}).filter(
          ([day, minutes]) => days.includes(Number(day)) && Number(minutes) > 0,
        ),
      ),
    });
  };

  return (
    <form onSubmit={handleSubmit(submit)}>
      <Flex gap="16px" wrap="wrap" align="flex-end">
        <Field.Root w="220px" required>
          <Field.Label fontWeight={600}>{t("students.student_form.name_or_nickname")}</Field.Label>
          <Input maxLength={60} autoFocus borderColor="line" {...register("name")} />
        </Field.Root>
        <Choice label={t("students.student_form.lesson_day")} {...register("lesson_weekday")}>
          {FROM_MONDAY.map((day) => (
            <option key={day} value={day}>
              {weekdayName(day)}
            </option>
          ))}
        </Choice>
        <Field.Root w="120px" required>
          <Field.Label fontWeight={600}>{t("students.student_form.lesson_time")}</Field.Label>
          <Input type="time" borderColor="line" {...register("lesson_time")} />
        </Field.Root>
        <Field.Root w="130px" required>
          <Field.Label fontWeight={600}>{t("students.student_form.minutes_a_day")}</Field.Label>
          <Input type="number" min={5} max={240} borderColor="line" {...register("minutes_a_day")} />
        </Field.Root>
        <Field.Root w="150px" required>
          <Field.Label fontWeight={600}>{t("students.student_form.new_steps_a_day")}</Field.Label>
          <Input type="number" min={1} max={10} borderColor="line" {...register("begin_per_day")} />
        </Field.Root>
        <Field.Root w="170px">
          <Field.Label fontWeight={600}>{t("students.student_form.class")}</Field.Label>
          <Input
            maxLength={60}
            list="classes"
            placeholder={t("students.student_form.none")}
            borderColor="line"
            {...register("class_name")}
          />
          <datalist id="classes">
            {[...new Set((students.data ?? []).flatMap((one) => one.class_name ?? []))].map((name) => (
              <option key={name} value={name} />
            ))}
          </datalist>
        </Field.Root>
        <FirstHand width="120px" {...register("hand_order")} />
        <Choice label={t("students.student_form.a_hand_reaches")} width="150px" {...register("hand_span")}>
          <option value="">{t("students.student_form.not_measured")}</option>
          {SPANS.map((semitones) => (
            <option key={semitones} value={semitones}>
              {t(`students.student_form.spans.${semitones}`)}
            </option>
          ))}
        </Choice>
        <Choice label={t("students.student_form.warm_ups")} width="170px" {...register("warm_ups")}>
          <option value="none">{t("students.student_form.none")}</option>
          <option value="five_finger">{t("students.student_form.five_fingers")}</option>
          <option value="scale">{t("students.student_form.scale")}</option>
          <option value="scale_and_chords">{t("students.student_form.scale_and_chords")}</option>
          <option value="progression">{t("students.student_form.chords_through_keys")}</option>
        </Choice>
        <Choice label={t("students.student_form.notes_are_called")} width="130px" {...register("note_names")}>
          <option value="letters">C D E</option>
          <option value="fixed_do">{t("students.student_form.do_re_mi")}</option>
        </Choice>
        <Choice label={t("students.student_form.sections_open")} width="190px" {...register("introduce_first")}>
          <option value="">{t("students.student_form.introduced_first_for_a_child")}</option>
          <option value="true">{t("students.student_form.once_they_were_introduced")}</option>
          <option value="false">{t("students.student_form.by_themselves")}</option>
        </Choice>
        <Field.Root w="230px">
          <Field.Label fontWeight={600}>{t("students.student_form.email_for_recaps")}</Field.Label>
          <Input type="email" maxLength={200} borderColor="line" {...register("email")} />
        </Field.Root>
        <Choice label={t("students.student_form.the_sheet")} width="180px" {...register("reads")}>
          <option value="true">{t("students.student_form.in_words")}</option>
          <option value="false">{t("students.student_form.with_pictures")}</option>
        </Choice>
        <Choice label={t("students.student_form.language")} width="250px" {...register("locale")}>
          <option value="">{t("students.student_form.as_the_studio")}</option>
          {session.data?.languages.map(({ tag, name }) => (
            <option key={tag} value={tag}>
              {name}
            </option>
          ))}
        </Choice>
        <Field.Root w="170px">
          <Field.Label fontWeight={600}>{t("students.student_form.instrument")}</Field.Label>
          <Input maxLength={120} borderColor="line" {...register("instrument")} />
        </Field.Root>
        <Field.Root w="300px">
          <Field.Label fontWeight={600}>{t("students.student_form.knows_already")}</Field.Label>
          <Input
            placeholder={t("students.student_form.with_commas_between")}
            borderColor="line"
            {...register("knows")}
          />
        </Field.Root>
        <Choice label={t("students.student_form.pedal_at_home")} width="130px" {...register("has_pedal")}>
          <option value="true">{t("students.student_form.yes")}</option>
          <option value="false">{t("students.student_form.no")}</option>
        </Choice>
      </Flex>
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
                onChange={(event) => setValue("minutes_by_day", { ...byDay, [day]: Number(event.target.value) })}
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
      <Stretches
        legend={t("students.student_form.away")}
        word={t("students.student_form.away")}
        all={watch("absent") ?? []}
        onChange={(all) => setValue("absent", all)}
      />
      <Notice trouble={trouble} />
      <Flex gap="8px" mt="14px">
        <Button type="submit" kind="go" disabled={busy}>
          {verb}
        </Button>
        <Button type="button" onClick={onCancel}>
          {t("students.student_form.not_now")}
        </Button>
      </Flex>
    </form>
  );
}
