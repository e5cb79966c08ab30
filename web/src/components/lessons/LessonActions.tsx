import { Box, Field, Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import { type Attendance, type LessonTime, useAttend, useChangeLesson, usePeople } from "../../api/queries";
import { t } from "../../words";
import { Button } from "../Button";
import { Choice } from "../Choice";
import { Notice } from "../Notice";
import { Select } from "../Select";

const ATTENDANCE: Exclude<Attendance, null>[] = ["came", "late", "missed", "excused"];

/** What can be done to one lesson: who came, another day, another teacher, none at all. What
 * followed is said where it was done. */
export function LessonActions({ lesson, today }: { lesson: LessonTime; today: string }) {
  const [open, setOpen] = useState(false);
  const change = useChangeLesson(lesson.id);
  const attend = useAttend(lesson.id);
  const at = { on: lesson.day, version: lesson.version };
  const busy = change.isPending || attend.isPending;
  const told = [...(change.data?.clashes ?? []), ...(change.data?.told ?? []), ...(attend.data?.told ?? [])];
  const name = lesson.name;
  return (
    <Box>
      <Flex gap="6px" wrap="wrap" justify="flex-end">
        {lesson.may.includes("hear") && !lesson.left_out && lesson.day <= today && (
          <Select
            size="sm"
            aria-label={t("lessons.who_came", { name })}
            value={lesson.attendance ?? ""}
            disabled={busy}
            onChange={(event) => attend.mutate({ ...at, attendance: (event.target.value || null) as Attendance })}
          >
            <option value="">{t("lessons.attendance.unknown")}</option>
            {ATTENDANCE.map((one) => (
              <option key={one} value={one}>
                {t(`lessons.attendance.${one}`)}
              </option>
            ))}
          </Select>
        )}
        {lesson.may.includes("change") &&
          (lesson.left_out ? (
            <Button size="sm" disabled={busy} onClick={() => change.mutate({ ...at, left_out: false, why: null })}>
              {t("lessons.is_held_after_all")}
            </Button>
          ) : (
            <Button
              size="sm"
              aria-expanded={open}
              aria-label={t("lessons.change_lesson_of", { name })}
              onClick={() => setOpen(!open)}
            >
              {t("lessons.change")}
            </Button>
          ))}
      </Flex>
      {open && !lesson.left_out && (
        <ChangeForm
          lesson={lesson}
          busy={busy}
          onSave={(changes) => change.mutate({ ...at, ...changes }, { onSuccess: () => setOpen(false) })}
        />
      )}
      {told.length > 0 && (
        <Box role="status" fontSize="sm" mt="4px" textAlign="right">
          {told.map((one) => (
            <Text key={one}>{one}</Text>
          ))}
        </Box>
      )}
      <Notice trouble={change.error ?? attend.error} />
    </Box>
  );
}

type Form = {
  lesson: LessonTime;
  busy: boolean;
  onSave: (
    changes: Parameters<ReturnType<typeof useChangeLesson>["mutate"]>[0] extends infer All ? Partial<All> : never,
  ) => void;
};

function ChangeForm({ lesson, busy, onSave }: Form) {
  const people = usePeople();
  const [day, setDay] = useState(lesson.day);
  const [time, setTime] = useState(lesson.time);
  const [minutes, setMinutes] = useState(String(lesson.minutes));
  const [teacher, setTeacher] = useState(String(lesson.teacher_id ?? ""));
  const [why, setWhy] = useState("");
  return (
    <Box
      as="form"
      aria-label={t("lessons.change_lesson_of", { name: lesson.name })}
      mt="8px"
      textAlign="left"
      onSubmit={(event: React.FormEvent) => {
        event.preventDefault();
        onSave({ day, time, minutes: Number(minutes), teacher_id: Number(teacher) || null });
      }}
    >
      <Flex gap="10px" wrap="wrap" align="flex-end">
        <Field.Root w="150px" required>
          <Field.Label fontWeight={600}>{t("lessons.day")}</Field.Label>
          <Input type="date" h="34px" borderColor="line" value={day} onChange={(event) => setDay(event.target.value)} />
        </Field.Root>
        <Field.Root w="110px" required>
          <Field.Label fontWeight={600}>{t("lessons.time")}</Field.Label>
          <Input
            type="time"
            h="34px"
            borderColor="line"
            value={time}
            onChange={(event) => setTime(event.target.value)}
          />
        </Field.Root>
        <Field.Root w="90px" required>
          <Field.Label fontWeight={600}>{t("lessons.minutes")}</Field.Label>
          <Input
            type="number"
            min={5}
            max={240}
            h="34px"
            borderColor="line"
            value={minutes}
            onChange={(event) => setMinutes(event.target.value)}
          />
        </Field.Root>
        <Choice
          label={t("lessons.held_by")}
          width="170px"
          size="sm"
          value={teacher}
          onChange={(event) => setTeacher(event.target.value)}
        >
          <option value="">{t("lessons.their_own_teacher")}</option>
          {people.data?.people
            .filter((one) => one.role !== "assistant")
            .map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
        </Choice>
        <Button type="submit" size="sm" kind="go" disabled={busy || !day || !time}>
          {t("lessons.keep")}
        </Button>
      </Flex>
      <Flex gap="10px" mt="8px" wrap="wrap" align="flex-end">
        <Field.Root w="260px">
          <Field.Label fontWeight={600}>{t("lessons.why")}</Field.Label>
          <Input
            maxLength={200}
            h="34px"
            borderColor="line"
            value={why}
            onChange={(event) => setWhy(event.target.value)}
          />
        </Field.Root>
        <Button
          size="sm"
          type="button"
          disabled={busy}
          onClick={() => onSave({ left_out: true, why: why.trim() || null })}
        >
          {t("lessons.leave_it_out")}
        </Button>
      </Flex>
    </Box>
  );
}
