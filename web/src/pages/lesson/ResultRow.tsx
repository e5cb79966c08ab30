import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { Button } from "../../components/Button";
import { DayBoxes } from "../../components/DayBoxes";
import { dayAndMonth, listed } from "../../components/dates";
import { Simplification } from "../../components/Simplification";
import { StateMark } from "../../components/StateMark";
import { t } from "../../words";
import { CountedOf } from "./CountedOf";
import { type Heard, RESULTS, resultWord } from "./results";
import { type Hearing, unticked } from "./useResults";

type Props = {
  one: Heard;
  at: number;
  current: boolean;
  severalPieces: boolean;
  student: number;
  hearing: Hearing;
};

/** One step to be heard; the one in hand shows what can be said of it. */
export function ResultRow({ one, at, current, severalPieces, student, hearing }: Props) {
  return (
    <Box
      role="listitem"
      data-at={at}
      aria-current={current}
      onClick={() => hearing.setAt(at)}
      borderBottom="1px solid"
      borderColor="line"
      bg={current ? "railSoft" : undefined}
      px="14px"
      py="7px"
      style={current ? { boxShadow: "inset 4px 0 0 var(--chakra-colors-rail)" } : undefined}
    >
      <Flex justify="space-between" gap="10px" align="center">
        <Box minW={0}>
          <Text fontWeight={650} lineHeight={1.25}>
            {one.with.length > 0 ? `${one.row?.title}, ${one.stage_name}` : one.title}
          </Text>
          <Text fontSize="sm" color="soft" lineHeight={1.3}>
            {listed([
              severalPieces && one.piece,
              !current && one.place,
              one.tempo && t("lesson.result_row.at", { tempo: one.tempo }),
            ])}
          </Text>
          {one.hurt_on && (
            <Text fontSize="sm" color="brick" fontWeight={650}>
              {t("lesson.result_row.it_hurt_on", { day: dayAndMonth(one.hurt_on) })}
            </Text>
          )}
        </Box>
        {one.result && !current ? (
          <Text as="b" whiteSpace="nowrap" color={one.result === "not_heard" ? "soft" : "ink"}>
            {resultWord(one.result)}
            {one.recorded_by && (
              <Text as="span" fontWeight={400} fontSize="sm" color="soft">
                {t("lesson.result_row.by", { recorded_by: one.recorded_by })}
              </Text>
            )}
          </Text>
        ) : (
          <DayBoxes days={one.days} />
        )}
      </Flex>
      {current && (
        <>
          <Grid templateColumns="repeat(5, minmax(0, 1fr))" gap="4px" mt="6px">
            {RESULTS.map(([key, result, state, fill]) => (
              <Say
                key={result}
                one={one}
                at={at}
                result={result}
                words={`${key} ${resultWord(result)}`}
                hearing={hearing}
              >
                <StateMark state={state} share={fill} label="" />
              </Say>
            ))}
            <Say
              one={one}
              at={at}
              result="not_heard"
              words={`0 ${resultWord("not_heard")}`}
              hearing={hearing}
            />
          </Grid>
          <CountedOf one={one} hearing={hearing} />
          <Flex gap="8px" align="center" mt="4px" fontSize="sm" color="soft">
            <Box flex="1" minW={0} lineHeight={1.3}>
              <StateMark state={one.state} share={one.credited / one.good_days} />{" "}
              {listed([
                one.place,
                t("lesson.result_row.good_days", { credited: one.credited, count: one.good_days }),
                t("lesson.result_row.times_a_day", { count: one.repetitions }),
                one.recorded_by && t("lesson.result_row.heard_it_today", { by: one.recorded_by }),
              ])}
            </Box>
            <Button
              size="xs"
              title={t("lesson.result_row.x_the_paper_chart_has_a")}
              onClick={() => hearing.tick(one, unticked(one), true)}
              disabled={unticked(one).length === 0}
            >
              {t("lesson.result_row.tick_the_row")}
            </Button>
            {one.days.some((day) => day.repetitions > 0) && (
              <Button
                size="xs"
                title={t("lesson.result_row.takes_ticks_of_paper_back_what")}
                onClick={() =>
                  hearing.tick(
                    one,
                    one.days.map((day) => day.date),
                    false,
                  )
                }
              >
                {t("lesson.result_row.untick")}
              </Button>
            )}
          </Flex>
          <Simplification student={student} step={one} of={one.assignment_id} />
        </>
      )}
    </Box>
  );
}

/** One of the results. A finger that taps it goes on to the next step, as a key does. */
function Say({
  one,
  at,
  result,
  words,
  hearing,
  children,
}: {
  one: Heard;
  at: number;
  result: Parameters<Hearing["say"]>[1];
  words: string;
  hearing: Hearing;
  children?: React.ReactNode;
}) {
  return (
    <Button
      size="sm"
      px="2px"
      py="4px"
      whiteSpace="normal"
      lineHeight={1.15}
      flexDirection="column"
      gap="2px"
      justifyContent="flex-end"
      aria-pressed={one.result === result}
      onClick={(event) => {
        hearing.say(one, result);
        if (result === "not_heard" || (event.nativeEvent as PointerEvent).pointerType !== "touch")
          return;
        event.stopPropagation();
        hearing.setAt(Math.min(at + 1, hearing.rows.length - 1));
      }}
      css={{ "&[aria-pressed=true]": { borderColor: "rail", borderWidth: "2px" } }}
    >
      {children}
      <span>{words}</span>
    </Button>
  );
}
