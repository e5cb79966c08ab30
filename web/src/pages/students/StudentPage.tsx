import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { useNavigate, useParams } from "react-router";
import type { Schemas } from "../../api/client";
import { useMessages, usePieces, usePlanAgain, useStudent } from "../../api/queries";
import { Button } from "../../components/Button";
import {
  dayAndMonth,
  FROM_MONDAY,
  fullDay,
  minutes,
  shortWeekday,
  weekdayName,
} from "../../components/dates";
import { useHelp } from "../../components/KeyHelp";
import { Messages } from "../../components/Messages";
import { Lost, Notice, Waiting } from "../../components/Notice";
import { PageHead, Paper, PartHead } from "../../components/Paper";
import { PrintWeeks } from "../../components/PrintWeeks";
import { May, RightsOf, useMay } from "../../components/Rights";
import { Select } from "../../components/Select";
import { weekKeys } from "../../components/week/useWeekKeys";
import { Week } from "../../components/week/Week";
import { t } from "../../words";
import { AssignPiece } from "../piece/AssignPiece";
import { ChangeStudent } from "./ChangeStudent";
import { Coming } from "./Coming";
import { Consent } from "./Consent";
import { ExtraWork } from "./ExtraWork";
import { Family } from "./Family";
import { Flights } from "./Flights";
import { InSight } from "./InSight";
import { Outlook } from "./Outlook";
import { Past } from "./Past";
import { PieceChoices } from "./PieceChoices";
import { PracticeDays } from "./PracticeDays";
import { Record } from "./Record";
import { SheetLink } from "./SheetLink";

type Student = Schemas["Student"];

/** One student: the pieces and how far they are, this week's plan, the link to
 * the week sheet, and what can be changed. */
export default function StudentPage() {
  const id = Number(useParams().id);
  const student = useStudent(id);
  const messages = useMessages(id);
  if (student.error && !student.data)
    return <Lost trouble={student.error} again={() => student.refetch()} />;
  if (!student.data || messages.isPending)
    return <Waiting what={t("students.student_page.the_student")} />;
  return (
    <RightsOf may={student.data.may}>
      <Whole key={id} student={student.data} />
    </RightsOf>
  );
}

function Whole({ student }: { student: Student }) {
  const go = useNavigate();
  const [changing, setChanging] = useState(false);
  const may = useMay();
  useHelp(t("students.student_page.the_week"), weekKeys());
  const days = FROM_MONDAY.filter((day) => student.practice_days.includes(day)).map((day) =>
    shortWeekday(day),
  );
  const about = [
    ...[
      { weekday: student.lesson_weekday, time: student.lesson_time },
      ...(student.more_lessons ?? []),
    ].map((one) =>
      t("students.student_page.lesson", { day: weekdayName(one.weekday), time: one.time }),
    ),
    t("students.student_page.practises", {
      minutes: minutes(student.minutes_a_day),
      days: days.join(", "),
    }),
    t(`students.student_page.hand_orders.${student.hand_order}`),
    // Of a student who is new nothing is known.
    student.adherence !== null && t("students.student_page.keeps", { percent: student.adherence }),
  ]
    .filter(Boolean)
    .join(" · ");
  return (
    <>
      <PageHead title={student.name} about={about}>
        <May to="change">
          <Button onClick={() => setChanging(!changing)} aria-expanded={changing}>
            {t("students.student_page.change")}
          </Button>
        </May>
        {!student.left_on && (
          <>
            <PrintWeeks students={[student.id]}>
              {t("students.student_page.print_the_week")}
            </PrintWeeks>
            <May to="hear">
              <Button
                kind="go"
                onClick={() => go(`/students/${student.id}/lesson`)}
                disabled={student.pieces.length === 0}
              >
                {t("students.student_page.open_lesson")}
              </Button>
            </May>
          </>
        )}
      </PageHead>
      <InSight student={student} />
      <Messages student={student.id} earlier />
      {student.attention.length > 0 && (
        <Paper
          p="10px 18px"
          mb="12px"
          as="section"
          aria-label={t("students.student_page.needs_attention")}
        >
          <PartHead>{t("students.student_page.needs_attention")}</PartHead>
          {student.attention.map((one) => (
            <Text key={one.text} color={one.kind === "late" ? "brick" : "ink"}>
              {one.text}
            </Text>
          ))}
        </Paper>
      )}
      {student.left_on && (
        <Text mb="10px" color="brick">
          {t("students.student_page.has_left_on", { day: dayAndMonth(student.left_on) })}
        </Text>
      )}
      {(student.clashes ?? []).map((one) => (
        <Text key={one} role="status" mb="6px" color="brick">
          {one}
        </Text>
      ))}
      {student.paused_on && (
        <Text mb="10px" color="brick">
          {t("students.student_page.pauses_since", { day: dayAndMonth(student.paused_on) })}
        </Text>
      )}
      {changing && <ChangeStudent student={student} onDone={() => setChanging(false)} />}
      {!student.left_on && <ThisWeek student={student} />}
      {student.pieces.map((piece) => (
        <Flights key={piece.id} piece={piece} who={student.name} today={student.today}>
          <Outlook
            student={student.id}
            piece={piece}
            today={student.today}
            restsOn={student.rests_on}
          />
          <May to="change">
            <PieceChoices student={student.id} piece={piece} several={student.pieces.length > 1} />
          </May>
        </Flights>
      ))}
      {!student.left_on && <Coming student={student} />}
      {student.drills.map((one) => (
        <Text key={one.title} mt="8px" color="soft">
          {t("students.student_page.where_next_in_of_right_on", {
            title: one.title,
            correct: one.correct,
            asked: one.asked,
            day: dayAndMonth(one.day),
          })}
        </Text>
      ))}
      <PracticeDays weeks={student.weeks} timing={student.timing} />
      <Past student={student} />
      <Flex gap="16px" mt="12px" wrap="wrap" align="stretch" className="no-print">
        {may("change") && <GiveAnother student={student} />}
        <ExtraWork student={student} />
        <SheetLink student={student} />
        <Family student={student} />
        <Consent student={student} />
        <Record student={student} />
      </Flex>
    </>
  );
}

function ThisWeek({ student }: { student: Student }) {
  const week = student.week;
  const again = usePlanAgain(student.id);
  if (!week) return null;
  // Without a lesson in sight it goes to the end of the calendar's week.
  const goesOn = week.with_lesson === false;
  return (
    <Paper p="14px 18px" id="week" scrollMarginTop="48px">
      <PartHead
        beside={
          <>
            {t(
              goesOn
                ? "students.student_page.minutes_a_day_until"
                : "students.student_page.minutes_a_day_next_lesson",
              {
                minutes: minutes(week.budget),
                day: fullDay(week.next_lesson),
              },
            )}
            <May to="change">
              <Button
                kind="quiet"
                size="sm"
                ml="8px"
                className="no-print"
                title={t("students.student_page.when_days_were_missed_plans_the")}
                disabled={again.isPending}
                onClick={() => again.mutate()}
              >
                {t("students.student_page.plan_the_rest_again")}
              </Button>
            </May>
          </>
        }
      >
        {t("students.student_page.the_week_from", { day: dayAndMonth(week.starts) })}
      </PartHead>
      <Notice trouble={again.error} />
      <Box mt="8px">
        <Week
          week={week}
          hand={student.overrides}
          student={student.id}
          severalPieces={student.pieces.length > 1}
        />
      </Box>
    </Paper>
  );
}

function GiveAnother({ student }: { student: Student }) {
  const pieces = usePieces();
  const [chosen, setChosen] = useState<number | null>(null);
  const free = (pieces.data ?? []).filter(
    (piece) => !student.pieces.some((one) => one.piece_id === piece.id),
  );
  const piece = free.find((one) => one.id === chosen);
  return (
    <Paper p="12px 18px" flex={piece ? "1 1 100%" : "1 1 320px"}>
      <PartHead>
        {student.pieces.length
          ? t("students.student_page.assign_another_piece")
          : t("students.student_page.assign_the_first_piece")}
      </PartHead>
      <Select
        mt="6px"
        maxW="340px"
        size="md"
        aria-label={t("students.student_page.piece")}
        value={chosen ?? ""}
        onChange={(event) => setChosen(Number(event.target.value) || null)}
      >
        <option value="">{t("students.student_page.choose_from_the_library")}</option>
        {free.map((one) => (
          <option key={one.id} value={one.id}>
            {one.title}
            {one.book ? ` · ${one.book}` : ""}
          </option>
        ))}
      </Select>
      {piece && (
        <Box mt="10px">
          <AssignPiece
            key={piece.id}
            piece={piece}
            student={student}
            onDone={() => setChosen(null)}
          />
        </Box>
      )}
    </Paper>
  );
}
