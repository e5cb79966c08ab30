import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { useSession, useStudio, useTimetable } from "../../api/queries";
import { fullDay, shortWeekday } from "../../components/dates";
import { isHeld } from "../../components/lessons/LessonState";
import { NameLink } from "../../components/NameLink";
import { Paper, PartHead } from "../../components/Paper";
import { t } from "../../words";

// How many are shown before the page is too long for a glance.
const SHOWN = 6;

type Props = { today: Schemas["Today"]; teachers: "own" | "all" };

/** What comes after today: the next day of lessons, and who needs attention until then and why. */
export function Ahead({ today, teachers }: Props) {
  return (
    <Grid
      templateColumns={{ base: "1fr", lg: "minmax(240px, 1fr) minmax(0, 2.6fr)" }}
      gap="12px"
      mt="12px"
    >
      {today.next_day && <NextDay day={today.next_day} teachers={teachers} />}
      <Attention today={today} teachers={teachers} />
    </Grid>
  );
}

function NextDay({ day, teachers }: { day: string; teachers: "own" | "all" }) {
  const lessons = useTimetable(day, teachers)
    .data?.days.find((one) => one.date === day)
    ?.lessons.filter(isHeld);
  return (
    <Paper as="section" aria-label={fullDay(day)} px="16px" py="10px" minH="130px">
      <PartHead>{fullDay(day)}</PartHead>
      <Box as="ul" listStyleType="none">
        {lessons?.map((one) => (
          <Flex as="li" key={`${one.id} ${one.time}`} gap="12px" align="baseline">
            <Text fontWeight={650}>{one.time}</Text>
            <NameLink to={`/students/${one.id}`}>{one.name}</NameLink>
          </Flex>
        ))}
      </Box>
    </Paper>
  );
}

function Attention({ today, teachers }: Props) {
  const own = useSession().data?.account?.name;
  const rows = useStudio().data;
  const here = new Set(today.lessons.map((row) => row.id));
  const found = (rows ?? []).filter(
    (row) =>
      row.concerns.length > 0 && !here.has(row.id) && (teachers === "all" || row.teacher === own),
  );
  return (
    <Paper
      as="section"
      aria-label={t("today.ahead.needs_attention")}
      px="16px"
      py="10px"
      minH="130px"
    >
      <PartHead
        beside={
          found.length > SHOWN && (
            <NameLink to="/studio?only=attention&by=attention">
              {t("today.ahead.all_of_them", { count: found.length })}
            </NameLink>
          )
        }
      >
        {t("today.ahead.needs_attention")}
      </PartHead>
      {rows && found.length === 0 && <Text color="soft">{t("today.ahead.nobody_else")}</Text>}
      <Box as="ul" listStyleType="none">
        {found.slice(0, SHOWN).map((row) => (
          <Grid
            as="li"
            key={row.id}
            templateColumns={{ base: "1fr", md: "170px 1fr" }}
            gap="0 12px"
            py="2px"
          >
            <Text>
              <NameLink to={`/students/${row.id}`}>{row.name}</NameLink>{" "}
              <Text as="span" fontSize="sm" color="soft">
                {shortWeekday(row.lesson_weekday)} {row.lesson_time}
              </Text>
            </Text>
            <Text fontSize="sm">
              {row.concerns[0]?.text}
              {row.concerns.length > 1 && (
                <Text as="span" color="soft">
                  {" · "}
                  {t("today.today_page.and_more", { count: row.concerns.length - 1 })}
                </Text>
              )}
            </Text>
          </Grid>
        ))}
      </Box>
    </Paper>
  );
}
