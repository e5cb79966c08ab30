import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { useNavigate, useSearchParams } from "react-router";
import type { Schemas } from "../../api/client";
import { useToday } from "../../api/queries";
import { Button } from "../../components/Button";
import { DayBoxes } from "../../components/DayBoxes";
import { fullDay } from "../../components/dates";
import { useHelp } from "../../components/KeyHelp";
import { LessonActions } from "../../components/lessons/LessonActions";
import { isHeld, LessonState } from "../../components/lessons/LessonState";
import { NameLink } from "../../components/NameLink";
import { Empty, Lost, Waiting } from "../../components/Notice";
import { PageHead, Paper } from "../../components/Paper";
import { PrintWeeks } from "../../components/PrintWeeks";
import { May } from "../../components/Rights";
import { t } from "../../words";
import { Ahead } from "./Ahead";
import { FirstSteps } from "./FirstSteps";

type Row = Schemas["Today"]["lessons"][number];

const COLUMNS = {
  base: "1fr",
  lg: "66px minmax(140px, 1fr) 150px minmax(160px, 1.3fr) minmax(160px, 1.3fr) max-content",
};

/** The day's lessons in order. One key opens the lesson. */
export default function TodayPage() {
  const [params, setParams] = useSearchParams();
  const all = params.get("teachers") === "all";
  const today = useToday(all ? "all" : "own");
  const [chosen, setAt] = useState<number | null>(null);
  const go = useNavigate();
  const lessons = today.data?.lessons ?? [];
  // The next lesson, until another is chosen.
  const next = lessons.findIndex((row) => !row.finished && !row.under_way && isHeld(row));
  const at = chosen ?? Math.max(next, 0);
  useHelp(t("today.today_page.help"), [
    ["↑ ↓", t("today.today_page.from_lesson_to_lesson")],
    [t("today.today_page.enter"), t("today.today_page.open_the_lesson")],
    ["s", t("today.today_page.open_the_student")],
  ]);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if ((event.target as Element).matches("input, textarea, select, button, a")) return;
      const row = lessons[at];
      if (event.key === "ArrowDown") setAt(Math.min(at + 1, lessons.length - 1));
      else if (event.key === "ArrowUp") setAt(Math.max(at - 1, 0));
      else if (event.key === "Enter" && row) go(`/students/${row.id}/lesson`);
      else if (event.key === "s" && row) go(`/students/${row.id}`);
      else return;
      event.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
  if (today.error && !today.data)
    return <Lost trouble={today.error} again={() => today.refetch()} />;
  if (!today.data) return <Waiting what={t("today.today_page.the_day")} />;
  const { date, holiday, next_day, others, unseen } = today.data;
  return (
    <>
      <PageHead
        title={fullDay(date)}
        about={
          holiday && lessons.length === 0
            ? t("today.today_page.a_holiday_no_lessons")
            : [
                t("today.today_page.lessons", { count: lessons.filter(isHeld).length }),
                next_day && t("today.today_page.the_next_ones_are_on", { day: fullDay(next_day) }),
              ]
                .filter(Boolean)
                .join(" · ")
        }
      >
        {others > 0 && (
          <Button
            kind="toggle"
            aria-pressed={all}
            onClick={() => setParams(all ? {} : { teachers: "all" })}
          >
            {t("today.today_page.all_teachers")}
            {!all && ` (${t("today.today_page.more", { count: others })})`}
          </Button>
        )}
        {unseen > 0 && (
          <Button onClick={() => go("/while-away")}>
            {t("lessons.while_you_were_away_count", { count: unseen })}
          </Button>
        )}
        {[
          ...new Map(
            lessons.flatMap((row) => (row.class_id ? [[row.class_id, row.class_name]] : [])),
          ),
        ].map(([id, name]) => (
          <Button key={id} onClick={() => go(`/classes/${id}/lesson`)}>
            {t("today.today_page.class_lesson", { name })}
          </Button>
        ))}
        {lessons.length > 0 && (
          <PrintWeeks students={lessons.map((row) => row.id)}>
            {t("today.today_page.print_their_weeks")}
          </PrintWeeks>
        )}
      </PageHead>
      <May to="teach">
        <FirstSteps />
      </May>
      <Paper>
        {lessons.length === 0 && (
          <Empty>
            {others > 0 && !all
              ? t("today.today_page.no_lesson_of_yours_today")
              : next_day
                ? t("today.today_page.the_next_lessons_are_on", { day: fullDay(next_day) })
                : t("today.today_page.no_student_has_a_lesson_yet")}
          </Empty>
        )}
        <Box role="list" aria-label={t("today.today_page.lessons_of_the_day")}>
          {lessons.map((row, index) => (
            <Line
              key={row.id}
              row={row}
              today={date}
              current={index === at}
              onPick={() => setAt(index)}
            />
          ))}
        </Box>
      </Paper>
      <Ahead today={today.data} teachers={all ? "all" : "own"} />
    </>
  );
}

function Line({
  row,
  today,
  current,
  onPick,
}: {
  row: Row;
  today: string;
  current: boolean;
  onPick: () => void;
}) {
  const go = useNavigate();
  return (
    <Grid
      role="listitem"
      aria-current={current}
      templateColumns={COLUMNS}
      gap="4px 14px"
      alignItems="start"
      px="16px"
      py="10px"
      borderBottom="1px solid"
      borderColor="line"
      bg={current ? "railSoft" : undefined}
      boxShadow={current ? "inset 4px 0 0 var(--chakra-colors-rail)" : undefined}
      onMouseEnter={onPick}
    >
      <Text
        fontWeight={700}
        fontSize="lg"
        textDecoration={isHeld(row) ? undefined : "line-through"}
      >
        {row.time}
      </Text>
      <Box>
        <NameLink to={`/students/${row.id}`}>{row.name}</NameLink>
        {row.pieces.map((piece) => (
          <Text key={piece.title} fontSize="sm" color="soft">
            {piece.title}
            {piece.section && `, ${t("today.today_page.in_hand", { section: piece.section })}`}
          </Text>
        ))}
        {row.holder_id === row.own_id && (
          <Text fontSize="sm" color="soft">
            {row.holder}
          </Text>
        )}
        <LessonState lesson={row} />
        {row.holder_id !== row.own_id && (
          <NameLink fontSize="sm" to={`/students/${row.id}/stand-in`}>
            {t("lessons.what_a_stand_in_needs")}
          </NameLink>
        )}
      </Box>
      {row.days.length > 0 ? (
        <DayBoxes days={row.days} />
      ) : (
        <Text color="soft">{t("today.today_page.no_week_yet")}</Text>
      )}
      <Box fontSize="sm">
        {row.hear_first ? (
          <>
            <Text>
              {t("today.today_page.hear_first")} <b>{row.hear_first.title}</b>
            </Text>
            <Text color="soft">
              {row.pieces.length > 1 && `${row.hear_first.piece}: `}
              {row.hear_first.first}
            </Text>
          </>
        ) : (
          <Text color="soft">{t("today.today_page.nothing_that_others_wait_for")}</Text>
        )}
      </Box>
      <Box fontSize="sm">
        {row.messages > 0 && (
          <Text fontWeight={650}>{t("today.today_page.messages", { count: row.messages })}</Text>
        )}
        {row.concerns.slice(0, 3).map((one) => (
          <Text key={one.text} color={one.kind === "late" ? "brick" : "ink"}>
            {one.text}
          </Text>
        ))}
        {row.concerns.length > 3 && (
          <Text color="soft">
            {t("today.today_page.and_more", { count: row.concerns.length - 3 })}
          </Text>
        )}
        {row.concerns.length + row.messages === 0 && (
          <Text color="soft">{t("today.today_page.nothing_needs_attention")}</Text>
        )}
      </Box>
      <Flex justify="flex-end" direction="column" align="flex-end" gap="2px">
        {row.under_way && (
          <Text fontSize="sm" fontWeight={650} color="brass">
            {t("today.today_page.under_way", { name: row.under_way })}
          </Text>
        )}
        <Button
          kind={current && !row.finished ? "go" : "plain"}
          size="sm"
          onClick={() => go(`/students/${row.id}/lesson`)}
        >
          {row.finished ? t("today.today_page.heard") : t("today.today_page.open_lesson")}
        </Button>
      </Flex>
      {current && (
        <Box gridColumn={{ lg: "2 / -1" }}>
          <LessonActions lesson={row} today={today} />
        </Box>
      )}
    </Grid>
  );
}
