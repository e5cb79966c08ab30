import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { type FormEvent, useState } from "react";
import { Button } from "../Button";
import { longDay, shortDay } from "../dates";
import type { WeekOverrides } from "./useWeekOverrides";

/** What is said of the chosen item, and what can be done with it by hand. */
export function OverrideBar({ drawn }: { drawn: WeekOverrides }) {
  const { chosen, item } = drawn;
  return (
    <Box minH="64px" mt="6px" fontSize="sm" className="no-print">
      <Box color="soft" aria-live="polite">
        {item ? (
          <>
            <Text as="b" color="ink">
              {item.title}
            </Text>
            {item.piece && ` (${[item.piece, item.place].filter(Boolean).join(", ")})`}: {item.why}.
            {"arithmetic" in item && ` ${item.arithmetic}.`}
          </>
        ) : (
          "Point at an item to see why it stands there; drag it to another day, or change it by hand."
        )}
      </Box>
      <Flex role="toolbar" aria-label="Change by hand" gap="6px" mt="4px" wrap="wrap" align="center">
        {chosen && item && drawn.open(chosen) && (
          <>
            <Button size="xs" onClick={() => drawn.pin(chosen)}>
              {item.pinned ? "Give back to the plan" : `Keep on ${shortDay(chosen.date)}`}
            </Button>
            <Button
              size="xs"
              title="Move to the day before"
              disabled={!drawn.shift(chosen, -1)}
              onClick={() => drawn.move(chosen, drawn.shift(chosen, -1))}
            >
              ← {day(drawn.shift(chosen, -1))}
            </Button>
            <Button
              size="xs"
              title="Move to the day after"
              disabled={!drawn.shift(chosen, 1)}
              onClick={() => drawn.move(chosen, drawn.shift(chosen, 1))}
            >
              {day(drawn.shift(chosen, 1))} →
            </Button>
            <Button size="xs" onClick={() => drawn.drop(chosen)}>
              Not on {longDay(chosen.date)}
            </Button>
            {item.kind !== "added" && (
              <Button size="xs" onClick={() => drawn.leaveOut(chosen.id)}>
                Not this week
              </Button>
            )}
            <Button size="xs" aria-label="Less" onClick={() => drawn.resize(chosen, -1)}>
              −
            </Button>
            <Text as="span">
              {item.repetitions && item.kind !== "run" ? `${item.repetitions} times` : `${item.minutes} min`}
            </Text>
            <Button size="xs" aria-label="More" onClick={() => drawn.resize(chosen, 1)}>
              +
            </Button>
          </>
        )}
        {(drawn.canUndo || drawn.decided > 0) && (
          <Flex gap="6px" ml="auto">
            {drawn.canUndo && (
              <Button size="xs" onClick={drawn.undo}>
                Undo
              </Button>
            )}
            {drawn.decided > 0 && (
              <Button size="xs" kind="quiet" onClick={drawn.clear}>
                All back to the plan
              </Button>
            )}
          </Flex>
        )}
      </Flex>
    </Box>
  );
}

const day = (date: string | undefined) => (date ? shortDay(date) : "–");

/** A thing of the teacher's own on one day. */
export function AddTo({ date, drawn, onDone }: { date: string; drawn: WeekOverrides; onDone: () => void }) {
  const [title, setTitle] = useState("");
  const [length, setLength] = useState("3");
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (!title.trim()) return;
    drawn.add(date, title.trim(), Number(length));
    onDone();
  };
  return (
    <form onSubmit={submit}>
      <Input
        size="xs"
        autoFocus
        aria-label={`What to add on ${longDay(date)}`}
        placeholder="what"
        maxLength={120}
        borderColor="line"
        value={title}
        onChange={(event) => setTitle(event.target.value)}
        onKeyDown={(event) => event.key === "Escape" && onDone()}
      />
      <Flex gap="4px" mt="4px" align="center">
        <Input
          size="xs"
          type="number"
          min={0.5}
          max={120}
          step={0.5}
          w="56px"
          aria-label="Minutes"
          borderColor="line"
          value={length}
          onChange={(event) => setLength(event.target.value)}
        />
        <Text fontSize="sm">min</Text>
        <Button size="xs" kind="go" type="submit">
          Add
        </Button>
      </Flex>
    </form>
  );
}
