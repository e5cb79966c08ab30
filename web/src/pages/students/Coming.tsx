import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useState } from "react";
import { newKey, type Schemas } from "../../api/client";
import { useAddLesson } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choice } from "../../components/Choice";
import { dayAndMonth, fullDay, listed, minutes } from "../../components/dates";
import { Labelled } from "../../components/Labelled";
import { LessonActions } from "../../components/lessons/LessonActions";
import { isHeld, LessonState } from "../../components/lessons/LessonState";
import { Notice } from "../../components/Notice";
import { Paper, PartHead } from "../../components/Paper";
import { May } from "../../components/Rights";
import { t } from "../../words";

/** The next lessons, and one more put in. */
export function Coming({ student }: { student: Schemas["Student"] }) {
  const [adding, setAdding] = useState(false);
  return (
    <Paper
      as="section"
      id="lessons"
      scrollMarginTop="48px"
      aria-label={t("lessons.next_lessons")}
      p="12px 18px"
      mt="12px"
      className="no-print"
    >
      <PartHead
        beside={
          <May to="change">
            <Button
              size="sm"
              kind="quiet"
              aria-expanded={adding}
              onClick={() => setAdding(!adding)}
            >
              {t("lessons.put_one_in")}
            </Button>
          </May>
        }
      >
        {t("lessons.next_lessons")}
      </PartHead>
      {adding && <NewLesson student={student} onDone={() => setAdding(false)} />}
      {student.coming.map((one) => (
        <Grid
          key={one.planned_on ?? one.day}
          role="group"
          aria-label={fullDay(one.day)}
          templateColumns={{ base: "1fr", md: "240px 1fr auto" }}
          gap="4px 14px"
          py="5px"
          alignItems="start"
        >
          <Text textDecoration={isHeld(one) ? undefined : "line-through"}>{fullDay(one.day)}</Text>
          <Box>
            <Text>{listed([one.time, minutes(one.minutes), one.holder])}</Text>
            <LessonState lesson={one} />
          </Box>
          <LessonActions lesson={one} today={student.today} />
        </Grid>
      ))}
      {student.coming.length === 0 && <Text color="soft">{t("lessons.none_ahead")}</Text>}
    </Paper>
  );
}

function NewLesson({ student, onDone }: { student: Schemas["Student"]; onDone: () => void }) {
  const add = useAddLesson(student.id);
  const [key] = useState(newKey);
  const [day, setDay] = useState("");
  const [time, setTime] = useState(student.lesson_time);
  const [instead, setInstead] = useState("");
  const left = student.coming.filter((one) => !isHeld(one));
  return (
    <Box
      as="form"
      aria-label={t("lessons.put_one_in")}
      onSubmit={(event: React.FormEvent) => {
        event.preventDefault();
        add.mutate({ key, day, time, makes_up_for: instead || undefined }, { onSuccess: onDone });
      }}
    >
      <Flex gap="10px" wrap="wrap" align="flex-end" mt="6px" mb="8px">
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
        <Choice
          label={t("lessons.instead_of")}
          width="200px"
          size="sm"
          value={instead}
          onChange={(event) => setInstead(event.target.value)}
        >
          <option value="">{t("lessons.beside_the_others")}</option>
          {left.map((one) => (
            <option key={one.day} value={one.planned_on ?? one.day}>
              {dayAndMonth(one.planned_on ?? one.day)}
            </option>
          ))}
        </Choice>
        <Button type="submit" size="sm" kind="go" disabled={add.isPending || !day || !time}>
          {t("lessons.put_it_in")}
        </Button>
      </Flex>
      <Notice trouble={add.error} />
    </Box>
  );
}
