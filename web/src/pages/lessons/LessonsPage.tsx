import { Box, Grid, Text } from "@chakra-ui/react";
import { useState } from "react";
import { useSearchParams } from "react-router";
import { useTimetable } from "../../api/queries";
import { Button } from "../../components/Button";
import { dayAndMonth, fullDay, longDay, minutes } from "../../components/dates";
import { LessonActions } from "../../components/lessons/LessonActions";
import { isHeld, LessonState } from "../../components/lessons/LessonState";
import { NameLink } from "../../components/NameLink";
import { Empty, Lost, Waiting } from "../../components/Notice";
import { PageHead, Paper } from "../../components/Paper";
import { May } from "../../components/Rights";
import { t } from "../../words";
import { Covering } from "./Covering";

const shifted = (day: string, days: number) =>
  new Date(Date.parse(`${day}T12:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);

/** The lessons of a week as they really are, and what is done to single ones. */
export default function LessonsPage() {
  const [params, setParams] = useSearchParams();
  const from = params.get("from") ?? undefined;
  const all = params.get("teachers") === "all";
  const week = useTimetable(from, all ? "all" : "own");
  const [covering, setCovering] = useState(false);
  const go = (day: string | undefined, everyone = all) =>
    setParams({ ...(day ? { from: day } : {}), ...(everyone ? { teachers: "all" } : {}) });
  if (week.error && !week.data) return <Lost trouble={week.error} again={() => week.refetch()} />;
  if (!week.data) return <Waiting what={t("lessons.the_week")} />;
  const { today, days, covers } = week.data;
  const monday = week.data.from;
  const held = days.flatMap((day) => day.lessons).filter(isHeld).length;
  return (
    <>
      <PageHead
        title={t("lessons.from_to", {
          from: dayAndMonth(monday),
          to: dayAndMonth(days[days.length - 1]?.date ?? monday),
        })}
        about={t("lessons.count", { count: held })}
      >
        <Button aria-label={t("lessons.week_before")} onClick={() => go(shifted(monday, -7))}>
          ←
        </Button>
        <Button disabled={!from} onClick={() => go(undefined)}>
          {t("lessons.this_week")}
        </Button>
        <Button aria-label={t("lessons.week_after")} onClick={() => go(shifted(monday, 7))}>
          →
        </Button>
        <Button kind="toggle" aria-pressed={all} onClick={() => go(from, !all)}>
          {t("today.today_page.all_teachers")}
        </Button>
        <May to="teach">
          <Button aria-expanded={covering} onClick={() => setCovering(!covering)}>
            {t("lessons.hand_on_or_take")}
          </Button>
        </May>
      </PageHead>
      {covering && (
        <Covering first={[monday, today].sort()[1] ?? today} onDone={() => setCovering(false)} />
      )}
      {covers.map((one) => (
        <Text key={one.id} mb="6px">
          {t("lessons.stands_in", {
            cover: one.cover,
            away: one.away,
            from: dayAndMonth(one.first_day),
            to: dayAndMonth(one.last_day),
          })}
        </Text>
      ))}
      <Paper>
        {held === 0 && days.every((day) => day.lessons.length === 0) && (
          <Empty>{t("lessons.none_this_week")}</Empty>
        )}
        {days
          .filter((day) => day.lessons.length > 0 || day.holiday)
          .map((day) => (
            <Grid
              key={day.date}
              as="section"
              aria-label={fullDay(day.date)}
              templateColumns={{ base: "1fr", md: "150px 1fr" }}
              borderBottom="1px solid"
              borderColor="line"
              _last={{ border: 0 }}
              boxShadow={day.date === today ? "inset 4px 0 0 var(--chakra-colors-rail)" : undefined}
            >
              <Box px="16px" py="10px">
                <Text as="h2" fontWeight={700} color={day.date === today ? "ink" : "soft"}>
                  {longDay(day.date)}
                </Text>
                <Text fontSize="sm" color="soft">
                  {dayAndMonth(day.date)}
                  {day.holiday && ` · ${t("lessons.holiday")}`}
                </Text>
              </Box>
              <Box>
                {day.lessons.map((one) => (
                  <Grid
                    key={`${one.id} ${one.planned_on ?? one.time}`}
                    role="group"
                    aria-label={`${one.name}, ${one.time}`}
                    templateColumns={{
                      base: "1fr",
                      lg: "110px minmax(180px, 1fr) minmax(320px, auto)",
                    }}
                    gap="4px 14px"
                    px="16px"
                    py="10px"
                    alignItems="start"
                  >
                    <Box>
                      <Text
                        fontWeight={700}
                        textDecoration={isHeld(one) ? undefined : "line-through"}
                      >
                        {one.time}
                      </Text>
                      <Text fontSize="sm" color="soft">
                        {minutes(one.minutes)}
                      </Text>
                    </Box>
                    <Box>
                      <NameLink to={`/students/${one.id}`}>{one.name}</NameLink>
                      <Text fontSize="sm" color="soft">
                        {[one.class_name, one.holder_id === one.own_id && one.holder]
                          .filter(Boolean)
                          .join(" · ")}
                      </Text>
                      <LessonState lesson={one} />
                      {one.holder_id !== one.own_id && (
                        <NameLink fontSize="sm" to={`/students/${one.id}/stand-in`}>
                          {t("lessons.what_a_stand_in_needs")}
                        </NameLink>
                      )}
                    </Box>
                    <LessonActions lesson={one} today={today} />
                  </Grid>
                ))}
              </Box>
            </Grid>
          ))}
      </Paper>
    </>
  );
}
