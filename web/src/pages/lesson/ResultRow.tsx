import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { Button } from "../../components/Button";
import { DayBoxes } from "../../components/DayBoxes";
import { Simplification } from "../../components/Simplification";
import { StateMark } from "../../components/StateMark";
import { CountedOf } from "./CountedOf";
import { type LessonStep, RESULTS, WORDS } from "./results";
import { type Hearing, unticked } from "./useResults";

type Props = {
  one: LessonStep;
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
          <Text as="span" fontWeight={650}>
            {one.title}
          </Text>{" "}
          <Text as="span" fontSize="sm" color="soft">
            {severalPieces && `${one.piece}, `}
            {one.place}
            {one.tempo && `, at ${one.tempo}`}
          </Text>
        </Box>
        {one.result && !current ? (
          <Text as="b" whiteSpace="nowrap" color={one.result === "not_heard" ? "soft" : "ink"}>
            {WORDS[one.result]}
            {one.recorded_by && (
              <Text as="span" fontWeight={400} fontSize="sm" color="soft">
                , by {one.recorded_by}
              </Text>
            )}
          </Text>
        ) : (
          <DayBoxes days={one.days} />
        )}
      </Flex>
      {current && (
        <>
          <Flex gap="8px" align="center" mt="3px" fontSize="sm" color="soft" wrap="wrap">
            <StateMark state={one.state} share={one.credited / one.good_days} />
            <span>
              {one.credited} of {one.good_days} good {one.good_days === 1 ? "day" : "days"}, {one.repetitions} times a
              day{one.recorded_by && `; ${one.recorded_by} heard it today`}
            </span>
            <Button
              size="xs"
              ml="auto"
              title="x: the paper chart has a tick on every planned day"
              onClick={() => hearing.tick(one, unticked(one), true)}
              disabled={unticked(one).length === 0}
            >
              Tick the row
            </Button>
            {one.days.some((day) => day.repetitions > 0) && (
              <Button
                size="xs"
                title="Takes ticks of paper back; what was tapped on the sheet stays"
                onClick={() =>
                  hearing.tick(
                    one,
                    one.days.map((day) => day.date),
                    false,
                  )
                }
              >
                Untick
              </Button>
            )}
          </Flex>
          <Grid templateColumns="repeat(5, minmax(0, 1fr))" gap="4px" mt="6px">
            {RESULTS.map(([key, result, words, state, fill]) => (
              <Say key={result} one={one} result={result} words={`${key} ${words}`} hearing={hearing}>
                <StateMark state={state} share={fill} label="" />
              </Say>
            ))}
            <Say one={one} result="not_heard" words="0 not heard" hearing={hearing} />
          </Grid>
          <CountedOf one={one} hearing={hearing} />
          <Simplification student={student} step={one} of={one.assignment_id} />
        </>
      )}
    </Box>
  );
}

function Say({
  one,
  result,
  words,
  hearing,
  children,
}: {
  one: LessonStep;
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
      onClick={() => hearing.say(one, result)}
      css={{ "&[aria-pressed=true]": { borderColor: "rail", borderWidth: "2px" } }}
    >
      {children}
      <span>{words}</span>
    </Button>
  );
}
