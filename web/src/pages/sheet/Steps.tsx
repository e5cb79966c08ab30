import { Box, Text } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { t } from "../../words";
import { Onces } from "./Onces";
import { Row } from "./Row";
import { type Rows, rowsOf } from "./rows";
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

/** A day's rows: one is open and large, the others are lines that open. It stays open when its
 * last box is tapped, so that nothing moves under the finger. */
export function Steps({ day, rows, token, cautions, send, first }: DayProps) {
  const all = rowsOf(day, rows);
  const next = all.find(isWaiting) ?? all[0];
  const own = first && all.find((row) => row.items.some((item) => keyOf(item) === first));
  const [open, setOpen] = useState((own || next)?.key);
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
    const at = all.findIndex((row) => row.key === key);
    return [...all.slice(at + 1), ...all.slice(0, at)].find(isWaiting);
  };
  const once =
    send && ((one: Parameters<typeof thingOf>[0]) => send(thingOf(one), "repetition", day.date));
  return (
    <>
      <Onces all={day.warm_ups} label={t("sheet.onces.warm_ups")} onTick={once} />
      {all.map((row) => {
        const next = after(row.key);
        return (
          <Row
            key={row.key}
            row={row}
            open={row.key === open}
            ref={row.key === open ? card : undefined}
            token={token}
            cautions={cautions}
            onMark={send && ((item, kind) => send(item, kind, day.date))}
            onOpen={() => show(row.key)}
            onNext={next && (() => show(next.key))}
          />
        );
      })}
      {all.length > 1 && (
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

const isWaiting = (row: ReturnType<typeof rowsOf>[number]) =>
  row.items.some((item) => !isDone(item) && !rests(item));
