import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { lazy, Suspense, useEffect, useState } from "react";
import { useParams } from "react-router";
import type { Schemas } from "../../api/client";
import { useSheet } from "../../api/queries";
import { Button } from "../../components/Button";
import { Cautions } from "../../components/Cautions";
import { fullDay, listed, longDay, minutes } from "../../components/dates";
import { NameLink } from "../../components/NameLink";
import { Lost, Notice, Waiting } from "../../components/Notice";
import { Paper } from "../../components/Paper";
import { t, useSpoken } from "../../words";
import { Days } from "./Days";
import { Message } from "./Message";
import { forget, keepAtHand } from "./offline";
import { Steps } from "./Steps";
import { Told } from "./Told";
import { turnsOf } from "./turns";
import { keyOf, type Ticks, useTicks } from "./useTicks";

type Sheet = Schemas["Sheet"];

const loadSitting = () => import("./SittingCard");
const SittingCard = lazy(loadSitting);
const loadChild = () => import("./Child");
const Child = lazy(loadChild);

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
    <Box
      as="main"
      tabIndex={-1}
      maxW="480px"
      mx="auto"
      px="12px"
      py="16px"
      _focusVisible={{ outline: "none" }}
    >
      {sheet.error && (gone || !sheet.data) && (
        <Lost trouble={sheet.error} again={() => sheet.refetch()} />
      )}
      {sheet.isPending && <Waiting what={t("sheet.sheet_page.the_sheet")} />}
      {sheet.data && spoken && !gone && <Whole sheet={sheet.data} token={token} />}
    </Box>
  );
}

function Whole({ sheet: loaded, token }: { sheet: Sheet; token: string }) {
  const ticks = useTicks(loaded, token);
  const { sheet, today } = ticks;
  const [chosen, setChosen] = useState<string | null>(null);
  const day = sheet.days.find((one) => one.date === (chosen ?? sheet.today));
  // The page stays at hand where there is no connection.
  useEffect(() => {
    keepAtHand()
      .then(loadSitting)
      .catch(() => {});
  }, []);

  // A child has what to do first; the week is below, for who looks after it.
  const week = (
    <>
      {(sheet.family ?? []).length > 0 && (
        <Flex
          as="nav"
          aria-label={t("sheet.sheet_page.family")}
          gap="14px"
          wrap="wrap"
          align="baseline"
          mb="6px"
        >
          <Text color="soft">{t("sheet.sheet_page.also")}</Text>
          {sheet.family?.map((one) => (
            <NameLink key={one.path} to={one.path}>
              {one.name}
            </NameLink>
          ))}
        </Flex>
      )}
      <Days
        sheet={sheet}
        chosen={chosen ?? sheet.today}
        onChoose={(date) => setChosen(date === sheet.today ? null : date)}
      />
    </>
  );
  return (
    <>
      <Head sheet={sheet} token={token} ticks={ticks} />
      {sheet.reads && week}
      {sheet.paused && (
        <Text role="status" mb="8px">
          {t("sheet.sheet_page.pauses")}
        </Text>
      )}
      {sheet.over && (
        <Text role="status" mb="8px">
          {t("sheet.sheet_page.the_plan_of_this_week_is")}{" "}
          {today
            ? t("sheet.sheet_page.until_it_comes_go_on_with")
            : t("sheet.sheet_page.it_comes_with_the_next_lesson")}
        </Text>
      )}
      <Notice trouble={ticks.trouble} />
      {chosen && (
        <Flex
          role="status"
          align="center"
          gap="10px"
          mb="8px"
          bg="brassSoft"
          px="12px"
          py="6px"
          fontSize="lg"
        >
          <Text flex="1">
            {t(
              chosen < sheet.today ? "sheet.sheet_page.ticked_later" : "sheet.sheet_page.not_yet",
              {
                day: fullDay(chosen),
              },
            )}
          </Text>
          <Button minH="44px" onClick={() => setChosen(null)}>
            {t("sheet.sheet_page.to_today")}
          </Button>
        </Flex>
      )}
      {day ? (
        <Practice key={day.date} day={day} sheet={sheet} token={token} ticks={ticks} />
      ) : (
        <Nothing sheet={sheet} />
      )}
      {!sheet.reads && week}
      {day === today && today && sheet.skip.length > 0 && (
        <details style={{ marginTop: 8 }}>
          <summary style={{ cursor: "pointer", minHeight: 44, paddingTop: 10, fontWeight: 650 }}>
            {t("sheet.sheet_page.a_bad_day_what_to_leave")}
          </summary>
          <Text fontSize="lg">
            {t("sheet.sheet_page.leave_out", { items: sheet.skip.join("; ") })}
          </Text>
        </details>
      )}
      <Told
        recap={sheet.recap}
        before={sheet.told_before}
        print={`/api/sheet/${token}/week.pdf?recaps=lately`}
      />
      <Message token={token} today={sheet.today} sent={sheet.messages ?? []} />
      {!window.isSecureContext && (
        <Text mt="8px" color="soft">
          {t("sheet.sheet_page.not_at_hand")}
        </Text>
      )}
      <Cautions all={sheet.cautions} />
      <Text fontSize="md" color="soft" mt="6px">
        {sheet.studio}
        {sheet.next_lesson &&
          ` · ${t("sheet.sheet_page.next_lesson", { day: fullDay(sheet.next_lesson) })}`}
      </Text>
      {ticks.offline && ticks.waiting.length > 0 && (
        <Text
          role="status"
          position="sticky"
          bottom="0"
          zIndex={2}
          bg="brassSoft"
          border="1px solid"
          borderColor="brass"
          borderRadius="4px"
          px="12px"
          py="8px"
          mt="8px"
          fontSize="lg"
        >
          {t("sheet.sheet_page.taps_wait", { count: ticks.waiting.length })}
        </Text>
      )}
    </>
  );
}

/** Which day it is, for whom, and what it holds. */
function Head({ sheet, token, ticks }: { sheet: Sheet; token: string; ticks: Ticks }) {
  const { today } = ticks;
  const lesson =
    sheet.next_lesson === sheet.today &&
    (sheet.lesson_time
      ? t("sheet.sheet_page.lesson_today_at", { time: sheet.lesson_time })
      : t("sheet.sheet_page.lesson_today"));
  return (
    <Flex justify="space-between" align="flex-start" gap="12px">
      <Box minW={0}>
        <Heading
          as="h1"
          fontSize="1.75rem"
          letterSpacing="-0.5px"
          fontWeight={750}
          lineHeight={1.15}
        >
          {longDay(sheet.today)}, {sheet.student}
        </Heading>
        <Text color="soft" fontSize="lg" aria-busy={ticks.waiting.length > 0}>
          {listed([
            lesson,
            today && minutes(today.minutes),
            !today && !lesson && t("sheet.sheet_page.no_practice_planned_today"),
          ])}
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
  );
}

type PracticeProps = { day: Sheet["days"][number]; sheet: Sheet; token: string; ticks: Ticks };

/** A day to practise: by oneself, or led through it. */
function Practice({ day, sheet, token, ticks }: PracticeProps) {
  const [sitting, setSitting] = useState(false);
  const [hurt, setHurt] = useState<string>();
  const send = day.date <= sheet.today ? ticks.send : undefined;
  if (sitting)
    return (
      <Suspense fallback={<Waiting what={t("sheet.sitting.sitting")} />}>
        <SittingCard
          items={day.items}
          token={token}
          onPlayed={(item) => send?.(item, "repetition", day.date)}
          onHurts={(item) => {
            send?.(item, "hurts", day.date);
            setHurt(keyOf(item));
          }}
          onEnd={() => setSitting(false)}
        />
      </Suspense>
    );
  const Day = sheet.reads ? Steps : Child;
  return (
    <>
      <Suspense fallback={<Waiting what={t("sheet.sheet_page.the_sheet")} />}>
        <Day
          day={day}
          rows={sheet.rows}
          token={token}
          cautions={sheet.cautions}
          send={send}
          first={hurt}
        />
      </Suspense>
      {send && turnsOf(day.items).length > 0 && (
        <Button minH="48px" width="100%" mt="10px" fontSize="lg" onClick={() => setSitting(true)}>
          ▶ {t("sheet.sitting.lead_me_through")}
        </Button>
      )}
    </>
  );
}

/** A day without practice: what comes. */
function Nothing({ sheet }: { sheet: Sheet }) {
  const next = sheet.days.find((day) => day.date > sheet.today);
  const things = next?.items.filter((item) => item.kind !== "more").map((item) => item.title) ?? [];
  return (
    <Paper p="16px" mt="10px">
      <Text fontSize="lg">
        {next
          ? t("sheet.sheet_page.next", {
              day: fullDay(next.date),
              items: things.join("; ") || t("sheet.sheet_page.nothing_new"),
            })
          : sheet.next_lesson
            ? t("sheet.sheet_page.the_next_lesson_is_on", { day: fullDay(sheet.next_lesson) })
            : t("sheet.sheet_page.there_is_no_plan_yet_it")}
      </Text>
    </Paper>
  );
}
