import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useState } from "react";
import { useNavigate } from "react-router";
import { newKey, type Schemas } from "../../api/client";
import { useAddStudent, useStudentReturns, useStudents } from "../../api/queries";
import { Button } from "../../components/Button";
import {
  dayAndMonth,
  FROM_MONDAY,
  minutes,
  shortWeekday,
  weekdayName,
} from "../../components/dates";
import { NameLink } from "../../components/NameLink";
import { Empty, Notice, Waiting } from "../../components/Notice";
import { PageHead, Paper, PartHead } from "../../components/Paper";
import { May, useMay } from "../../components/Rights";
import { t } from "../../words";
import { ImportStudents } from "./ImportStudents";
import { NEW, StudentForm } from "./StudentForm";

/** All students of the studio in the order of the week's lessons. */
export default function StudentsPage() {
  const students = useStudents();
  const [adding, setAdding] = useState(false);
  const [importing, setImporting] = useState(false);
  const add = useAddStudent();
  // Sent again after an answer that was lost, it is still one student.
  const [key, setKey] = useState(newKey);
  const go = useNavigate();
  const may = useMay();
  const here = students.data?.filter((one) => !one.left_on) ?? [];
  const gone = students.data?.filter((one) => one.left_on) ?? [];
  const week = FROM_MONDAY.filter((day) => here.some((one) => one.lesson_weekday === day));
  // The next one of a row comes on the same day, and practises as long.
  const last = add.variables && add.isSuccess ? { ...NEW, ...likeLast(add.variables) } : undefined;

  return (
    <>
      <PageHead
        title={t("students.students_page.students")}
        about={t("students.students_page.in_the_order_of_the_week")}
      >
        {!importing && may("teach") && (
          <Button onClick={() => setImporting(true)}>{t("students.import.title")}</Button>
        )}
        {!adding && may("teach") && (
          <Button
            kind="go"
            onClick={() => {
              setKey(newKey());
              setAdding(true);
            }}
          >
            {t("students.students_page.add_a_student")}
          </Button>
        )}
      </PageHead>
      {importing && <ImportStudents onDone={() => setImporting(false)} />}
      {adding && (
        <Paper p="16px 18px" mb="16px" borderColor="rail">
          <StudentForm
            verb={t("students.students_page.add_the_student")}
            trouble={add.error}
            busy={add.isPending}
            onCancel={() => setAdding(false)}
            key={key}
            start={last}
            onNext={(values) =>
              add.mutate({ ...values, key }, { onSuccess: () => setKey(newKey()) })
            }
            onSave={(values) =>
              add.mutate(
                { ...values, key },
                { onSuccess: (student) => go(`/students/${student.id}`) },
              )
            }
          />
        </Paper>
      )}
      <Notice trouble={students.error} again={() => students.refetch()} />
      {students.isPending && <Waiting what={t("students.students_page.the_students")} />}
      {students.data?.length === 0 && !adding && (
        <Paper>
          <Empty>{t("students.students_page.no_student_yet_add_one_a")}</Empty>
        </Paper>
      )}
      {week.length > 0 && (
        <Paper>
          {week.map((day) => (
            <Grid
              key={day}
              templateColumns={{ base: "1fr", md: "130px 1fr" }}
              borderBottom="1px solid"
              borderColor="line"
              _last={{ border: 0 }}
            >
              <Text as="h2" px="16px" py="9px" fontWeight={700} color="soft">
                {weekdayName(day)}
              </Text>
              <Box>
                {here
                  .filter((one) => one.lesson_weekday === day)
                  .map((one) => (
                    <StudentLine key={one.id} one={one} />
                  ))}
              </Box>
            </Grid>
          ))}
        </Paper>
      )}
      {gone.length > 0 && <Gone all={gone} />}
    </>
  );
}

const likeLast = ({ lesson_weekday, minutes_a_day, practice_days }: Schemas["NewStudent"]) => ({
  lesson_weekday,
  minutes_a_day,
  practice_days,
});

/** A student with what they work on, when they come next and when they practise. */
function StudentLine({ one }: { one: Schemas["StudentCard"] }) {
  return (
    <Grid
      templateColumns={{
        base: "60px minmax(0, 1fr)",
        md: "60px 150px minmax(0, 1.3fr) 100px",
        lg: "60px 170px minmax(0, 1.3fr) 100px minmax(0, 1fr) 140px",
      }}
      columnGap="12px"
      px="16px"
      py="9px"
      alignItems="baseline"
    >
      <Text color="soft">{one.lesson_time}</Text>
      <Box>
        <NameLink to={`/students/${one.id}`}>{one.name}</NameLink>
        {one.consent_missing && (
          <Text fontSize="sm" color="brick">
            {t("students.students_page.consent_missing")}
          </Text>
        )}
      </Box>
      <Text gridColumn={{ base: "2", md: "auto" }}>
        {one.pieces.length > 0 ? (
          one.pieces.map((piece) => piece.title).join(" · ")
        ) : (
          <Text as="span" color="soft">
            {t("students.students_page.no_piece")}
          </Text>
        )}
      </Text>
      <Text gridColumn={{ base: "2", md: "auto" }} color="soft">
        {one.paused_on && t("students.students_page.pauses")}
        {one.next_lesson &&
          t("students.students_page.next", { day: dayAndMonth(one.next_lesson.day) })}
      </Text>
      <Text hideBelow="lg" color="soft">
        {t("students.student_page.practises", {
          minutes: minutes(one.minutes_a_day),
          days: FROM_MONDAY.filter((weekday) => one.practice_days.includes(weekday))
            .map(shortWeekday)
            .join(", "),
        })}
      </Text>
      <Text hideBelow="lg" color="soft">
        {one.teacher}
      </Text>
    </Grid>
  );
}

/** Who has gone, until they are back. */
function Gone({ all }: { all: Schemas["StudentCard"][] }) {
  const back = useStudentReturns();
  return (
    <Paper as="section" aria-label={t("students.students_page.gone")} p="10px 16px" mt="16px">
      <PartHead>{t("students.students_page.gone")}</PartHead>
      {all.map((one) => (
        <Flex key={one.id} gap="12px" align="baseline" py="3px">
          <NameLink to={`/students/${one.id}`}>{one.name}</NameLink>
          <Text color="soft" flex="1">
            {t("students.students_page.since", { day: dayAndMonth(one.left_on ?? "") })}
          </Text>
          <May to="change">
            <Button size="sm" disabled={back.isPending} onClick={() => back.mutate(one.id)}>
              {t("students.students_page.is_back", { name: one.name })}
            </Button>
          </May>
        </Flex>
      ))}
      <Notice trouble={back.error} />
    </Paper>
  );
}
