import { Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { keptOf, type Schemas } from "../../api/client";
import { useChangeStudent, useStudentLeaves, useStudentPauses } from "../../api/queries";
import { Button } from "../../components/Button";
import { Conflict } from "../../components/Conflict";
import { minutes, weekdayName } from "../../components/dates";
import { Notice } from "../../components/Notice";
import { Paper } from "../../components/Paper";
import { t } from "../../words";
import { StudentForm } from "./StudentForm";

/** What is known of a student, to be changed; where someone else was quicker, both are shown. */
export function ChangeStudent({
  student,
  onDone,
}: {
  student: Schemas["Student"];
  onDone: () => void;
}) {
  const change = useChangeStudent(student.id);
  const { name, practice_days, minutes_a_day, rows_a_week, lesson_weekday, lesson_time } = student;
  const { hand_order } = student;
  const {
    hand_span,
    has_pedal,
    warm_ups,
    absent,
    child,
    introduce_first,
    minutes_by_day,
    note_names,
    counting,
  } = student;
  const { email, locale, instrument, reads, known, class_name, teacher_id } = student;
  const { lesson_minutes, more_lessons, contacts } = student;
  const start = {
    name,
    practice_days,
    minutes_a_day,
    rows_a_week,
    lesson_weekday,
    lesson_time,
    hand_order,
    hand_span,
    has_pedal,
    warm_ups,
    absent,
    child,
    introduce_first,
    minutes_by_day,
    note_names,
    counting,
    email,
    locale,
    instrument,
    reads,
    known,
    class_name,
    teacher_id,
    lesson_minutes,
    more_lessons,
    contacts,
  };
  const leaves = useStudentLeaves(student.id);
  const pauses = useStudentPauses(student.id);
  const [seen] = useState(student.version);
  const kept = keptOf(change.error, "student");
  const save = (values: Schemas["NewStudent"], version: number) =>
    change.mutate({ ...values, version }, { onSuccess: onDone });
  return (
    <Paper p="16px 18px" mb="12px" borderColor="rail">
      <StudentForm
        start={start}
        verb={t("students.student_page.save_and_plan_again")}
        trouble={kept ? null : change.error}
        busy={change.isPending}
        onCancel={onDone}
        onSave={(values) => save(values, seen)}
      />
      <Flex gap="8px" mt="10px" wrap="wrap">
        <Button
          disabled={pauses.isPending}
          onClick={() => pauses.mutate(student.paused_on === null, { onSuccess: onDone })}
        >
          {student.paused_on
            ? t("students.change_student.goes_on", { name: student.name })
            : t("students.change_student.pauses", { name: student.name })}
        </Button>
        <Button
          disabled={leaves.isPending}
          onClick={() => leaves.mutate(undefined, { onSuccess: onDone })}
        >
          {t("students.change_student.has_left", { name: student.name })}
        </Button>
      </Flex>
      <Notice trouble={leaves.error ?? pauses.error} />
      {kept && (
        <Conflict
          said={change.error?.problem.detail ?? ""}
          busy={change.isPending}
          onTheirs={onDone}
          onMine={() => change.variables && save(change.variables, kept.version)}
        >
          <Text>
            {t("students.student_page.stored_now_minutes_lesson", {
              name: kept.name,
              minutes: minutes(kept.minutes_a_day),
              day: weekdayName(kept.lesson_weekday),
              time: kept.lesson_time,
            })}
          </Text>
        </Conflict>
      )}
    </Paper>
  );
}
