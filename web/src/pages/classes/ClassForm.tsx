import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { Trouble } from "../../api/client";
import { useStudents, useTeachers } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choice, TeacherChoice } from "../../components/Choice";
import { FROM_MONDAY, weekdayName } from "../../components/dates";
import { Labelled } from "../../components/Labelled";
import { Notice } from "../../components/Notice";
import { t } from "../../words";

export type ClassValues = {
  name: string;
  teacher_id?: number;
  weekday: number;
  time: string;
  minutes: number;
  members: number[];
};
type Props = {
  start?: ClassValues;
  verb: string;
  trouble: Trouble | null;
  busy: boolean;
  onSave: (values: ClassValues) => void;
  onCancel: () => void;
};

const NEW: ClassValues = { name: "", weekday: 4, time: "18:00", minutes: 60, members: [] };

/** A class: its name and hour, who teaches it, who comes. */
export function ClassForm({ start = NEW, verb, trouble, busy, onSave, onCancel }: Props) {
  const teachers = useTeachers();
  const students = useStudents();
  const [values, setValues] = useState(start);
  const set = (changes: Partial<ClassValues>) => setValues({ ...values, ...changes });
  const here = students.data?.filter((one) => !one.left_on && one.may.includes("change")) ?? [];
  const toggle = (id: number) =>
    set({
      members: values.members.includes(id)
        ? values.members.filter((one) => one !== id)
        : [...values.members, id],
    });
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onSave(values);
      }}
    >
      <Flex gap="14px" wrap="wrap" align="flex-end">
        <Labelled
          label={t("classes.name")}
          width="220px"
          required
          maxLength={60}
          autoFocus
          value={values.name}
          onChange={(event) => set({ name: event.target.value })}
        />
        <Choice
          label={t("lessons.day")}
          value={values.weekday}
          onChange={(event) => set({ weekday: Number(event.target.value) })}
        >
          {FROM_MONDAY.map((day) => (
            <option key={day} value={day}>
              {weekdayName(day)}
            </option>
          ))}
        </Choice>
        <Labelled
          label={t("lessons.time")}
          width="120px"
          required
          type="time"
          value={values.time}
          onChange={(event) => set({ time: event.target.value })}
        />
        <Labelled
          label={t("lessons.minutes")}
          width="100px"
          required
          type="number"
          min={5}
          max={240}
          value={values.minutes}
          onChange={(event) => set({ minutes: Number(event.target.value) })}
        />
        <TeacherChoice
          label={t("students.student_form.teacher")}
          value={values.teacher_id ?? teachers?.find((one) => one.you)?.id}
          onChange={(event) => set({ teacher_id: Number(event.target.value) })}
        />
      </Flex>
      <Box as="fieldset" border={0} p={0} mt="12px">
        <Text as="legend" fontWeight={600}>
          {t("classes.members")}
        </Text>
        <Flex gap="4px 18px" wrap="wrap" mt="4px">
          {here.map((one) => (
            <label key={one.id} style={{ display: "flex", gap: 6, alignItems: "center" }}>
              <input
                type="checkbox"
                checked={values.members.includes(one.id)}
                onChange={() => toggle(one.id)}
              />
              {one.name}
            </label>
          ))}
        </Flex>
      </Box>
      <Notice trouble={trouble} />
      <Flex gap="8px" mt="14px">
        <Button type="submit" kind="go" disabled={busy || !values.name.trim()}>
          {verb}
        </Button>
        <Button type="button" onClick={onCancel}>
          {t("students.student_form.not_now")}
        </Button>
      </Flex>
    </form>
  );
}
