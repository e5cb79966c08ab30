import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { type Attendance, type LessonTime, useAttend, useChangeLesson } from "../../api/queries";
import { t } from "../../words";
import { Button } from "../Button";
import { TeacherChoice } from "../Choice";
import { Labelled } from "../Labelled";
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
  const told = [
    ...(change.data?.clashes ?? []),
    ...(change.data?.told ?? []),
    ...(attend.data?.told ?? []),
  ];
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
            onChange={(event) =>
              attend.mutate({ ...at, attendance: (event.target.value || null) as Attendance })
            }
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
            <Button
              size="sm"
              disabled={busy}
              onClick={() => change.mutate({ ...at, left_out: false, why: null })}
            >
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
          onSave={(changes, seen) =>
            change.mutate(
              // What someone else did meanwhile was shown with the refusal: now it is written over
              // knowingly.
              { ...at, ...changes, version: change.error ? lesson.version : seen },
              { onSuccess: () => setOpen(false) },
            )
          }
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
    changes: Parameters<ReturnType<typeof useChangeLesson>["mutate"]>[0] extends infer All
      ? Partial<All>
      : never,
    /** The version that stood there when the form was opened. */
    seen: number,
  ) => void;
};

function ChangeForm({ lesson, busy, onSave }: Form) {
  const [day, setDay] = useState(lesson.day);
  const [time, setTime] = useState(lesson.time);
  const [minutes, setMinutes] = useState(String(lesson.minutes));
  const [teacher, setTeacher] = useState(String(lesson.teacher_id ?? ""));
  const [why, setWhy] = useState("");
  const [seen] = useState(lesson.version);
  return (
    <Box
      as="form"
      aria-label={t("lessons.change_lesson_of", { name: lesson.name })}
      mt="8px"
      textAlign="left"
      onSubmit={(event: React.FormEvent) => {
        event.preventDefault();
        onSave({ day, time, minutes: Number(minutes), teacher_id: Number(teacher) || null }, seen);
      }}
    >
      <Flex gap="10px" wrap="wrap" align="flex-end">
        <Labelled
          label={t("lessons.day")}
          width="150px"
          required
          type="date"
          h="34px"
          value={day}
          onChange={(event) => setDay(event.target.value)}
        />
        <Labelled
          label={t("lessons.time")}
          width="110px"
          required
          type="time"
          h="34px"
          value={time}
          onChange={(event) => setTime(event.target.value)}
        />
        <Labelled
          label={t("lessons.minutes")}
          width="90px"
          required
          type="number"
          min={5}
          max={240}
          h="34px"
          value={minutes}
          onChange={(event) => setMinutes(event.target.value)}
        />
        <TeacherChoice
          label={t("lessons.held_by")}
          width="170px"
          size="sm"
          none={t("lessons.their_own_teacher")}
          value={teacher}
          onChange={(event) => setTeacher(event.target.value)}
        />
        <Button type="submit" size="sm" kind="go" disabled={busy || !day || !time}>
          {t("lessons.keep")}
        </Button>
      </Flex>
      <Flex gap="10px" mt="8px" wrap="wrap" align="flex-end">
        <Labelled
          label={t("lessons.why")}
          width="260px"
          maxLength={200}
          h="34px"
          value={why}
          onChange={(event) => setWhy(event.target.value)}
        />
        <Button
          size="sm"
          type="button"
          disabled={busy}
          onClick={() => onSave({ left_out: true, why: why.trim() || null }, seen)}
        >
          {t("lessons.leave_it_out")}
        </Button>
      </Flex>
    </Box>
  );
}
