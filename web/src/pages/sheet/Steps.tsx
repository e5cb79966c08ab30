import { Box, Text } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { t } from "../../words";
import { Folded } from "./Folded";
import { Onces } from "./Onces";
import { RowCard } from "./Row";
import { type Rows, rowsOf } from "./rows";
import { Step } from "./Step";
import { type Day, isDone, keyOf, rests, type Ticks, thingOf } from "./useTicks";

export type DayProps = {
  day: Day;
  rows: Rows;
  token: string;
  cautions: Schemas["Sheet"]["cautions"];
  /** None of a day that has not come. */
  send?: Ticks["send"];
  /** The step that is open at first, where it is not the next one. */
  first?: string;
};

/** A day's rows: one thing is open and large, the others are lines that open. It stays open when
 * its last box is tapped, so that nothing moves under the finger. */
export function Steps({ day, rows, token, cautions, send, first }: DayProps) {
  const all = rowsOf(day, rows);
  const next = day.items.find((item) => !isDone(item) && !rests(item)) ?? day.items[0];
  const [open, setOpen] = useState(first ?? (next && keyOf(next)));
  const card = useRef<HTMLDivElement>(null);
  const moved = useRef(false);
  const show = (key: string) => {
    moved.current = true;
    setOpen(key);
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: of another step
  useEffect(() => {
    if (!moved.current) return;
    card.current?.querySelector("h2")?.focus({ preventScroll: true });
    card.current?.scrollIntoView({ block: "start" });
  }, [open]);
  const after = (key: string) => {
    const at = day.items.findIndex((item) => keyOf(item) === key);
    const going = [...day.items.slice(at + 1), ...day.items.slice(0, at)];
    return going.find((item) => !isDone(item) && !rests(item));
  };
  const once =
    send && ((one: Parameters<typeof thingOf>[0]) => send(thingOf(one), "repetition", day.date));
  return (
    <>
      <Onces all={day.warm_ups} label={t("sheet.onces.warm_ups")} onTick={once} />
      {all.map((row) => (
        <RowCard key={row.key} row={row}>
          {row.items.map((item) => {
            const key = keyOf(item);
            const next = after(key);
            return key === open ? (
              <Step
                key={key}
                ref={card}
                item={item}
                token={token}
                cautions={cautions}
                onMark={send && ((kind) => send(item, kind, day.date))}
                onNext={next && (() => show(keyOf(next)))}
              />
            ) : (
              <Folded key={key} item={item} onOpen={() => show(key)} />
            );
          })}
        </RowCard>
      ))}
      {rows.length > 0 && all.length > 0 && (
        <Text color="soft" fontSize="md" mb="6px">
          {t("sheet.rows.done", {
            done: all.filter((row) => row.items.every(isDone)).length,
            count: all.length,
          })}
        </Text>
      )}
      <Box mt="10px">
        <Onces all={day.extra_work} label={t("sheet.onces.also_to_do")} onTick={once} />
      </Box>
    </>
  );
}
