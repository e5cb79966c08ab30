import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useState } from "react";
import { useParams } from "react-router";
import { newKey, type Schemas } from "../../api/client";
import { type Mark, useMark, useSheet } from "../../api/queries";
import { Button } from "../../parts/Button";
import { fullDay, longDay, minutes, shortDay } from "../../parts/dates";
import { Lost, Notice, Waiting } from "../../parts/Notice";
import { Paper } from "../../parts/Paper";
import { WarmUps } from "../../parts/WarmUps";
import { colour } from "../../theme/system";
import { PaperSheet } from "./PaperSheet";
import { Picture } from "./Picture";

type Sheet = Schemas["Sheet"];
type Day = Sheet["days"][number];
type Item = Schemas["SheetItem"];

/** The week sheet on the music stand: today's steps large, tap to count. */
export function SheetPlace() {
  const { token = "" } = useParams();
  const sheet = useSheet(token);
  return (
    <Box
      as="main"
      maxW="480px"
      mx="auto"
      px="12px"
      py="16px"
      css={{ "@media print": { maxWidth: "none", padding: 0 } }}
    >
      {sheet.error && <Lost trouble={sheet.error} again={() => sheet.refetch()} />}
      {sheet.isPending && <Waiting what="the sheet" />}
      {sheet.data && <Whole sheet={sheet.data} token={token} />}
    </Box>
  );
}

function Whole({ sheet, token }: { sheet: Sheet; token: string }) {
  const mark = useMark(token);
  const today = sheet.days.find((day) => day.date === sheet.today);
  const [undoable, setUndoable] = useState<Mark[]>([]);
  const next = sheet.days.find((day) => day.date > sheet.today);

  const send = (item: Item, kind: "repetition" | "struggle") => {
    const made: Mark = { key: newKey(), kind, assignment_id: item.assignment_id, step_id: item.step_id };
    setUndoable([...undoable, made]);
    mark.mutate(made);
  };
  const undo = () => {
    const last = undoable[undoable.length - 1] ?? lastOf(today);
    if (!last) return;
    setUndoable(undoable.slice(0, -1));
    mark.mutate({ ...last, key: newKey(), kind: "undo", undoes: last.key });
  };

  return (
    <>
      <Box className="no-print">
        <Flex justify="space-between" align="flex-start" gap="12px">
          <Box>
            <Heading as="h1" fontSize="1.75rem" letterSpacing="-0.5px" fontWeight={750} lineHeight={1.15}>
              {longDay(sheet.today)}, {sheet.student}
            </Heading>
            <Text color="soft" fontSize="lg">
              {today
                ? `${minutes(today.minutes)}, ${today.items.length} ${today.items.length === 1 ? "thing" : "things"}`
                : "no practice planned today"}
            </Text>
          </Box>
          <Flex gap="6px">
            <Button onClick={() => window.print()}>Print</Button>
            <Button onClick={undo} disabled={undoable.length === 0 && !lastOf(today)}>
              Undo
            </Button>
          </Flex>
        </Flex>
        <DayRow sheet={sheet} />
        <Notice trouble={mark.error} />
        <WarmUps all={today?.warm_ups} />
        {today?.items.map((item) => (
          <Step
            key={`${item.assignment_id}/${item.step_id}`}
            item={item}
            onCount={() => send(item, "repetition")}
            onHard={() => send(item, "struggle")}
          />
        ))}
        {!today && (
          <Paper p="16px" mt="10px">
            <Text fontSize="lg">
              {next
                ? `Next: ${fullDay(next.date)}, ${next.items.map((item) => item.title).join("; ") || "nothing new"}.`
                : sheet.next_lesson
                  ? `The next lesson is on ${fullDay(sheet.next_lesson)}.`
                  : "There is no plan yet. It comes with the next lesson."}
            </Text>
          </Paper>
        )}
        <Text fontSize="md" color="soft" mt="14px">
          Something hurts or tingles? Stop and rest. If it comes back, see a doctor. Take a break after 20 minutes.
        </Text>
        <Text fontSize="sm" color="soft" mt="6px">
          {sheet.studio}
          {sheet.next_lesson && ` · next lesson ${fullDay(sheet.next_lesson)}`}
        </Text>
      </Box>
      <PaperSheet sheet={sheet} />
    </>
  );
}

/** After a reload, the newest mark of today can still be taken back. */
function lastOf(day: Day | undefined): Mark | null {
  const item = day?.items.findLast((one) => one.last_mark);
  return item?.last_mark
    ? { key: item.last_mark, kind: "repetition", assignment_id: item.assignment_id, step_id: item.step_id }
    : null;
}

/** The days of the week: filled by what was done, a diagonal for a struggle. */
function DayRow({ sheet }: { sheet: Sheet }) {
  return (
    <Flex gap="6px" my="12px" role="list" aria-label="The week">
      {sheet.days.map((day) => {
        const full = day.items.length > 0 && day.items.every((item) => item.done >= item.repetitions);
        const isToday = day.date === sheet.today;
        return (
          <Box
            key={day.date}
            role="listitem"
            aria-label={`${fullDay(day.date)}: ${minutes(day.minutes_done)} of ${minutes(day.minutes)}${day.struggle ? ", a struggle" : ""}`}
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

function Step({ item, onCount, onHard }: { item: Item; onCount: () => void; onHard: () => void }) {
  const done = item.done >= item.repetitions;
  const boxes = Array.from({ length: Math.max(item.repetitions, item.done) }, (_, at) => at + 1);
  return (
    <Paper
      as="section"
      aria-label={item.title}
      p="14px"
      mb="10px"
      borderWidth={done ? "1px" : "2px"}
      borderColor={done ? "line" : "rail"}
    >
      <Heading as="h2" fontSize="1.375rem" fontWeight={750} lineHeight={1.2}>
        {item.title}
      </Heading>
      <Text fontSize="lg" color="soft">
        {item.place}
      </Text>
      <Text fontSize="lg">
        {item.how}, {item.tempo && `at ${item.tempo}, `}
        {item.repetitions} times
      </Text>
      <Picture picture={item.picture} />
      <Flex gap="6px" mt="10px" wrap="wrap">
        {boxes.map((number) => (
          <Button
            key={number}
            aria-label={number <= item.done ? `${number} done` : `count ${number}`}
            onClick={onCount}
            flex="1 1 40px"
            minW="40px"
            h="52px"
            px="0"
            bg={number <= item.done ? "ink" : "sheet"}
            borderColor="ink"
            borderWidth="2px"
            color="sheet"
            disabled={number <= item.done}
            opacity="1 !important"
          >
            {number <= item.done ? "✓" : ""}
          </Button>
        ))}
      </Flex>
      <Flex justify="space-between" mt="4px" fontSize="md" color="soft">
        <span>tap a box each time</span>
        <b>
          {item.done} of {item.repetitions}
        </b>
      </Flex>
      <Flex gap="10px" mt="8px" align="center">
        <Text flex="1" fontSize="md">
          <b>Done when</b> {item.done_when}.
        </Text>
        <Button onClick={onHard} aria-pressed={item.struggle} disabled={item.struggle} minH="44px">
          {item.struggle ? "marked as hard" : "That was hard"}
        </Button>
      </Flex>
      <Text fontSize="md" color="soft">
        {item.piece} · {minutes(item.minutes)}
        {item.done > 0 && !done ? " · go on" : ""}
      </Text>
    </Paper>
  );
}
