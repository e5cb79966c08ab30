import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { newKey, type Schemas } from "../../api/client";
import { useHear, useLesson } from "../../api/queries";
import { Button } from "../../parts/Button";
import { DayBoxes } from "../../parts/DayBoxes";
import { dayAndMonth, fullDay, WEEKDAYS } from "../../parts/dates";
import { Empty, Lost, Notice, Waiting } from "../../parts/Notice";
import { Paper, PartHead, PlaceHead } from "../../parts/Paper";
import { StateMark } from "../../parts/StateMark";
import { WeekColumns } from "../../parts/WeekColumns";

type Lesson = Schemas["Lesson"];
type Heard = Lesson["heard"][number];
type Result = Schemas["Result"];

/** One key for each result. */
const RESULTS: [string, Result, string, Schemas["State"], number][] = [
  ["1", "not_yet", "not yet", "waiting", 0],
  ["2", "shaky", "shaky", "begun", 0.5],
  ["3", "steady", "steady", "steady", 1],
  ["4", "secure", "secure", "secure", 1],
];
const WORDS = Object.fromEntries(RESULTS.map(([, result, words]) => [result, words])) as Record<Result, string>;

/** A lesson: what is heard on the left, the week that follows on the right,
 * drawn anew after each result. */
export function LessonPlace() {
  const id = Number(useParams().id);
  const lesson = useLesson(id);
  if (lesson.error) return <Lost trouble={lesson.error} again={() => lesson.refetch()} />;
  if (!lesson.data) return <Waiting what="the lesson" />;
  return <Open key={id} lesson={lesson.data} />;
}

function Open({ lesson }: { lesson: Lesson }) {
  const { student } = lesson;
  const go = useNavigate();
  const hear = useHear(student.id);
  const [at, setAt] = useState(0);
  const list = useRef<HTMLDivElement>(null);
  const pieces = new Set(lesson.heard.map((one) => one.piece));
  const done = lesson.heard.filter((one) => one.result && one.result !== "not_heard").length;

  const say = (one: Heard, result: Result) =>
    hear.mutate({ assignment_id: one.assignment_id, step_id: one.id, result, key: newKey() });

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (
        (event.target as Element).matches("input, textarea, select") ||
        event.ctrlKey ||
        event.metaKey ||
        event.altKey
      )
        return;
      const one = lesson.heard[at];
      const found = RESULTS.find(([key]) => key === event.key);
      const move = { ArrowDown: 1, j: 1, ArrowUp: -1, k: -1 }[event.key];
      if (move) {
        event.preventDefault();
        setAt(Math.min(Math.max(at + move, 0), lesson.heard.length - 1));
      } else if (one && (found || event.key === "0")) {
        event.preventDefault();
        say(one, found ? found[1] : "not_heard");
        if (found) setAt(Math.min(at + 1, lesson.heard.length - 1));
      }
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });

  useEffect(() => {
    list.current?.querySelector(`[data-at="${at}"]`)?.scrollIntoView({ block: "nearest" });
  }, [at]);

  return (
    <>
      <PlaceHead
        title={`${student.name}, ${fullDay(lesson.today)}`}
        about={`${[...pieces].join(" and ")} · practised ${lesson.practised.done} of ${lesson.practised.of} days · next lesson ${WEEKDAYS[student.lesson_weekday]} ${dayAndMonth(lesson.next_week.next_lesson)}`}
      >
        <Button onClick={() => go(`/students/${student.id}`)}>Back to {student.name}</Button>
      </PlaceHead>
      <Notice trouble={hear.error} />
      <Grid templateColumns={{ base: "1fr", lg: "minmax(380px, 5fr) 7fr" }} gap="16px" alignItems="start">
        <Paper>
          <Box px="16px" py="10px" borderBottom="1px solid" borderColor="line">
            <PartHead
              beside={
                <>
                  <kbd>↑</kbd> <kbd>↓</kbd> move, <kbd>1</kbd>–<kbd>4</kbd> say, <kbd>0</kbd> takes back
                </>
              }
            >
              Heard today · {done} of {lesson.heard.length}
            </PartHead>
          </Box>
          {lesson.heard.length === 0 && (
            <Empty>Nothing has been practised yet. The plan on the right starts the week.</Empty>
          )}
          {lesson.heard.length > 0 && (
            <Box
              ref={list}
              maxH={{ lg: "calc(100vh - 210px)" }}
              overflowY="auto"
              role="list"
              aria-label="Steps of this week"
              tabIndex={0}
            >
              {lesson.heard.map((one, index) => (
                <Row
                  key={`${one.assignment_id}/${one.id}`}
                  one={one}
                  at={index}
                  current={index === at}
                  severalPieces={pieces.size > 1}
                  onPick={() => setAt(index)}
                  onSay={(result) => say(one, result)}
                />
              ))}
            </Box>
          )}
        </Paper>
        <Paper p="12px 16px" aria-busy={hear.isPending}>
          <PartHead beside={`${lesson.next_week.budget} minutes a day`}>Next week</PartHead>
          <Box mt="8px">
            <WeekColumns
              week={lesson.next_week}
              severalPieces={
                new Set(lesson.next_week.days.flatMap((day) => day.items.map((item) => item.piece))).size > 1
              }
            />
          </Box>
        </Paper>
      </Grid>
    </>
  );
}

type RowProps = {
  one: Heard;
  at: number;
  current: boolean;
  severalPieces: boolean;
  onPick: () => void;
  onSay: (result: Result) => void;
};

function Row({ one, at, current, severalPieces, onPick, onSay }: RowProps) {
  const share = one.credited / one.good_days;
  return (
    <Box
      role="listitem"
      data-at={at}
      aria-current={current}
      onClick={onPick}
      borderBottom="1px solid"
      borderColor="line"
      bg={current ? "railSoft" : undefined}
      px="16px"
      py="8px"
      style={current ? { boxShadow: "inset 4px 0 0 var(--chakra-colors-rail)" } : undefined}
    >
      <Flex justify="space-between" gap="12px" align="center">
        <Box minW={0}>
          <Text as="span" fontWeight={650}>
            {one.title}
          </Text>{" "}
          <Text as="span" fontSize="sm" color="soft">
            {severalPieces && `${one.piece}, `}
            {one.place}, {one.tempo && `at ${one.tempo}, `}
            {one.repetitions} times
          </Text>
        </Box>
        <DayBoxes days={one.days} />
      </Flex>
      <Flex gap="8px" align="center" mt="4px" fontSize="sm" color="soft">
        <StateMark state={one.state} share={share} />
        <span>
          {one.credited} of {one.good_days} good {one.good_days === 1 ? "day" : "days"}
        </span>
        {one.result && one.result !== "not_heard" && (
          <Text as="b" color="ink" ml="auto" fontSize="md">
            {WORDS[one.result]}
          </Text>
        )}
      </Flex>
      {current && (
        <Grid templateColumns="repeat(4, 1fr)" gap="6px" mt="8px">
          {RESULTS.map(([key, result, words, state, fill]) => (
            <Button
              key={result}
              size="sm"
              px="4px"
              py="5px"
              flexDirection="column"
              gap="3px"
              aria-pressed={one.result === result}
              onClick={() => onSay(result)}
              css={{ "&[aria-pressed=true]": { borderColor: "rail", borderWidth: "2px" } }}
            >
              <StateMark state={state} share={fill} label="" />
              <span>
                {key} {words}
              </span>
            </Button>
          ))}
        </Grid>
      )}
    </Box>
  );
}
