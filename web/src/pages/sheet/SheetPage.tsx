import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useEffect } from "react";
import { useParams } from "react-router";
import type { Schemas } from "../../api/client";
import { useSheet } from "../../api/queries";
import { Button } from "../../components/Button";
import { Cautions } from "../../components/Cautions";
import { fullDay, listed, longDay, minutes, shortDay } from "../../components/dates";
import { NameLink } from "../../components/NameLink";
import { Lost, Notice, Waiting } from "../../components/Notice";
import { Paper } from "../../components/Paper";
import { WarmUps } from "../../components/WarmUps";
import { colour } from "../../theme/system";
import { t, useSpoken } from "../../words";
import { Message } from "./Message";
import { More } from "./More";
import { forget, keepAtHand } from "./offline";
import { Step } from "./Step";
import { useTicks } from "./useTicks";

type Sheet = Schemas["Sheet"];

/** The week sheet on the music stand: today's steps large, tap to count. */
export default function SheetPage() {
  const { token = "" } = useParams();
  const sheet = useSheet(token);
  const spoken = useSpoken(sheet.data?.locale);
  const gone = sheet.error?.problem.status === 404;
  useEffect(() => {
    if (gone) forget(token).catch(() => {});
  }, [gone, token]);
  return (
    <Box as="main" maxW="480px" mx="auto" px="12px" py="16px">
      {sheet.error && (gone || !sheet.data) && <Lost trouble={sheet.error} again={() => sheet.refetch()} />}
      {sheet.isPending && <Waiting what={t("sheet.sheet_page.the_sheet")} />}
      {sheet.data && spoken && !gone && <Whole sheet={sheet.data} token={token} />}
    </Box>
  );
}

function Whole({ sheet: loaded, token }: { sheet: Sheet; token: string }) {
  const ticks = useTicks(loaded, token);
  const { sheet, today } = ticks;
  const several = new Set(today?.items.map((item) => item.assignment_id)).size > 1;
  const next = sheet.days.find((day) => day.date > sheet.today);
  // The page stays at hand where there is no connection.
  useEffect(() => {
    keepAtHand().catch(() => {});
  }, []);

  return (
    <>
      <Flex justify="space-between" align="flex-start" gap="12px">
        <Box>
          <Heading as="h1" fontSize="1.75rem" letterSpacing="-0.5px" fontWeight={750} lineHeight={1.15}>
            {longDay(sheet.today)}, {sheet.student}
          </Heading>
          <Text color="soft" fontSize="lg" aria-busy={ticks.waiting.length > 0}>
            {today
              ? listed([minutes(today.minutes), t("sheet.sheet_page.things", { count: today.items.length })])
              : t("sheet.sheet_page.no_practice_planned_today")}
          </Text>
        </Box>
        <Flex gap="6px">
          <Button onClick={() => window.open(`/api/sheet/${token}/week.pdf`, "_blank")}>
            {t("sheet.sheet_page.print")}
          </Button>
          <Button onClick={() => ticks.undo?.()} disabled={!ticks.undo}>
            {t("sheet.sheet_page.undo")}
          </Button>
        </Flex>
      </Flex>
      {(sheet.family ?? []).length > 0 && (
        <Flex as="nav" aria-label={t("sheet.sheet_page.family")} gap="14px" wrap="wrap" align="baseline" mb="6px">
          <Text color="soft">{t("sheet.sheet_page.also")}</Text>
          {sheet.family?.map((one) => (
            <NameLink key={one.path} to={one.path}>
              {one.name}
            </NameLink>
          ))}
        </Flex>
      )}
      {sheet.paused && (
        <Text role="status" mb="8px">
          {t("sheet.sheet_page.pauses")}
        </Text>
      )}
      <DayRow sheet={sheet} />
      {sheet.over && (
        <Text role="status" mb="8px">
          {t("sheet.sheet_page.the_plan_of_this_week_is")}{" "}
          {today
            ? t("sheet.sheet_page.until_it_comes_go_on_with")
            : t("sheet.sheet_page.it_comes_with_the_next_lesson")}
        </Text>
      )}
      <Notice trouble={ticks.trouble} />
      {ticks.offline && ticks.waiting.length > 0 && (
        <Text role="status" bg="brassSoft" px="10px" py="6px" mb="8px">
          {t("sheet.sheet_page.taps_wait", { count: ticks.waiting.length })}
        </Text>
      )}
      <WarmUps all={today?.warm_ups} />
      {today?.items.map((item) =>
        item.kind === "more" && sheet.reads ? (
          <More
            key={`${item.assignment_id}/${item.step_id}`}
            item={item}
            token={token}
            onCount={() => ticks.send(item, "repetition")}
          />
        ) : (
          <Step
            key={`${item.assignment_id}/${item.step_id}`}
            item={item}
            token={token}
            reads={sheet.reads}
            several={several}
            onCount={() => ticks.send(item, "repetition")}
            onHard={() => ticks.send(item, "struggle")}
          />
        ),
      )}
      {today && today.extra_work.length > 0 && (
        <Paper as="section" aria-label={t("sheet.sheet_page.extra_work")} p="14px" mb="10px">
          <Heading as="h2" fontSize="1.125rem" fontWeight={750}>
            {t("sheet.sheet_page.also_to_do")}
          </Heading>
          {today.extra_work.map((one) => (
            <Text key={one.id} fontSize="lg">
              {one.title}
              {one.one_of.length > 0 && `: ${t("sheet.sheet_page.choose_one_of", { choices: one.one_of.join(", ") })}`}{" "}
              <Text as="span" color="soft">
                {minutes(one.minutes)}
              </Text>
            </Text>
          ))}
        </Paper>
      )}
      {!today && (
        <Paper p="16px" mt="10px">
          <Text fontSize="lg">
            {next
              ? t("sheet.sheet_page.next", {
                  day: fullDay(next.date),
                  items:
                    next.items
                      .filter((item) => item.kind !== "more")
                      .map((item) => item.title)
                      .join("; ") || t("sheet.sheet_page.nothing_new"),
                })
              : sheet.next_lesson
                ? t("sheet.sheet_page.the_next_lesson_is_on", { day: fullDay(sheet.next_lesson) })
                : t("sheet.sheet_page.there_is_no_plan_yet_it")}
          </Text>
        </Paper>
      )}
      {today && sheet.skip.length > 0 && (
        <details style={{ marginTop: 8 }}>
          <summary style={{ cursor: "pointer", fontWeight: 650 }}>
            {t("sheet.sheet_page.a_bad_day_what_to_leave")}
          </summary>
          <Text fontSize="lg">{t("sheet.sheet_page.leave_out", { items: sheet.skip.join("; ") })}</Text>
        </details>
      )}
      <Message token={token} today={sheet.today} sent={sheet.messages ?? []} />
      {!window.isSecureContext && (
        <Text mt="8px" color="soft">
          {t("sheet.sheet_page.not_at_hand")}
        </Text>
      )}
      <Cautions all={sheet.cautions} />
      <Text fontSize="sm" color="soft" mt="6px">
        {sheet.studio}
        {sheet.next_lesson && ` · ${t("sheet.sheet_page.next_lesson", { day: fullDay(sheet.next_lesson) })}`}
      </Text>
    </>
  );
}

/** The days of the week: filled by what was done, a diagonal for a struggle. */
function DayRow({ sheet }: { sheet: Sheet }) {
  return (
    <Flex gap="6px" my="12px" role="list" aria-label={t("sheet.sheet_page.the_week")}>
      {sheet.days.map((day) => {
        const full = day.items.length > 0 && day.items.every((item) => item.done >= item.repetitions);
        const isToday = day.date === sheet.today;
        return (
          <Box
            key={day.date}
            role="listitem"
            aria-label={listed([
              t("sheet.sheet_page.day", {
                day: fullDay(day.date),
                done: minutes(day.minutes_done),
                of: minutes(day.minutes),
              }),
              day.struggle && t("components.day_boxes.a_struggle"),
            ])}
            flex="1"
            position="relative"
            textAlign="center"
            py="4px"
            borderRadius="4px"
            border={isToday ? "3px solid" : "1px solid"}
            borderColor={isToday ? "rail" : "line"}
            bg={full ? "ink" : "sheet"}
            color={full ? "sheet" : "soft"}
          >
            {day.struggle && (
              <svg
                aria-hidden="true"
                viewBox="0 0 10 10"
                preserveAspectRatio="none"
                style={{ position: "absolute", inset: 0, width: "100%", height: "100%" }}
              >
                <path
                  d="M0 0L10 10"
                  stroke={full ? colour("sheet") : colour("ink")}
                  strokeWidth="1.5"
                  vectorEffect="non-scaling-stroke"
                />
              </svg>
            )}
            <Text fontSize="md" fontWeight={650}>
              {shortDay(day.date)}
            </Text>
            <Text fontSize="lg" fontWeight={700} minH="1.4em">
              {day.minutes_done > 0 ? Math.round(day.minutes_done) || "½" : ""}
            </Text>
          </Box>
        );
      })}
    </Flex>
  );
}
