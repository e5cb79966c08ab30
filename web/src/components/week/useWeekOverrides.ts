import { useEffect, useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { newKey } from "../../api/client";
import { useOverride } from "../../api/queries";
import { t } from "../../words";
import { useMay } from "../Rights";

type Override = Schemas["Override"];
type Edit = Omit<Parameters<ReturnType<typeof useOverride>["mutate"]>[0], "starts" | "seen">;
/** The week with what was decided in it by hand. */
type Now = { week: Schemas["Week"]; hand: Schemas["WeekOverrides"] };
/** What is asked for, seen from the week as it is when its turn has come. */
type Stroke = (now: Now) => Edit | null;
/** An item where it stands; the same item stands on several days. */
export type Chosen = { id: string; date: string };

/** The teacher's hand on one week: each stroke is sent, planned around, and can
 * be taken back. Strokes that come quicker than answers wait for their turn. */
export function useWeekOverrides(
  student: number,
  week: Schemas["Week"],
  hand: Schemas["WeekOverrides"],
) {
  const [chosen, setChosen] = useState<Chosen | null>(null);
  // What was pressed stays chosen while the pointer crosses others on its way to the buttons.
  const held = useRef(false);
  const before = useRef<Override[][]>([]);
  const now = useNow(week, hand);
  const turn = useRef(Promise.resolve());
  const [waiting, setWaiting] = useState(0);
  const save = useOverride(student);
  const fixed = !useMay()("change");
  const dates = week.days.map((day) => day.date).filter((date) => date >= week.planned_from);
  const send = async (stroke: Stroke, done?: (was: Override[]) => void) => {
    const { week, hand } = now.current;
    const edit = stroke(now.current);
    if (!edit) return;
    const saved = await save.mutateAsync({ ...edit, starts: week.starts, seen: hand.version });
    done?.(hand.list);
    if (saved.week) now.current = { week: saved.week, hand: saved.overrides };
  };
  const take = (stroke: Stroke, done?: (was: Override[]) => void) => {
    if (fixed) return;
    setWaiting((count) => count + 1);
    turn.current = turn.current
      .then(() => send(stroke, done))
      .catch(() => {}) // What went wrong is in `save`.
      .finally(() => setWaiting((count) => count - 1));
  };
  const draw = (stroke: Stroke) => take(stroke, (was) => before.current.push(was));
  const item = chosen && find(week, chosen);

  return {
    chosen,
    item,
    dates,
    /** Whether it can be changed at all, by whoever looks. */
    fixed,
    /** Whether the day can still be changed. */
    open: (at: Chosen) => !fixed && dates.includes(at.date),
    trouble: save.error,
    busy: waiting > 0,
    decided: hand.list.length,
    choose: (at: Chosen) => {
      held.current = true;
      setChosen(at);
    },
    /** Chosen while nothing was pressed. */
    point: (at: Chosen) => {
      if (!held.current) setChosen(at);
    },
    /** Pointing chooses again. */
    letGo: () => {
      held.current = false;
    },
    pin: (at: Chosen) =>
      draw(({ week }) => ({ edit: find(week, at)?.pinned ? "loosen" : "pin", ...at })),
    put: (id: string, date: string) => draw(() => ({ edit: "pin", id, date })),
    move: (at: Chosen, to: string | undefined) => {
      if (!to || to === at.date) return;
      draw(({ week }) => (find(week, at) ? { edit: "move", ...at, to } : null));
      setChosen({ id: at.id, date: to });
    },
    /** To the practice day before or after. */
    shift: (at: Chosen, by: 1 | -1) =>
      dates.includes(at.date) ? dates[dates.indexOf(at.date) + by] : undefined,
    drop: (at: Chosen) => draw(() => ({ edit: "drop", ...at })),
    leaveOut: (id: string) => draw(() => ({ edit: "leave_out", id })),
    resize: (at: Chosen, by: 1 | -1) => draw(({ week }) => resized(find(week, at), at, by)),
    add: (date: string, title: string, minutes: number) => {
      const id = `extra ${newKey()}`;
      draw(() => ({ edit: "add", id, date, title, minutes }));
    },
    undo: () =>
      take(() => {
        const overrides = before.current.pop();
        return overrides ? { edit: "set", overrides } : null;
      }),
    canUndo: before.current.length > 0,
    clear: () => draw(() => ({ edit: "set", overrides: [] })),
  };
}

export type WeekOverrides = ReturnType<typeof useWeekOverrides>;

/** What is shown, or the last answer where that is newer than what is shown. */
function useNow(week: Schemas["Week"], hand: Schemas["WeekOverrides"]) {
  const now = useRef<Now>({ week, hand });
  useEffect(() => {
    const known = now.current;
    if (week.next_lesson !== known.week.next_lesson || hand.version >= known.hand.version)
      now.current = { week, hand };
  }, [week, hand]);
  return now;
}

function resized(found: ReturnType<typeof find>, at: Chosen, by: 1 | -1): Edit | null {
  if (!found) return null;
  const counted = found.repetitions && found.kind !== "run" ? found.repetitions : null;
  const size = (counted ?? found.minutes) + by;
  if (size < 1) return null;
  return { edit: "resize", ...at, ...(counted ? { repetitions: size } : { minutes: size }) };
}

/** The item or warm-up that stands there. */
function find(week: Schemas["Week"], at: Chosen) {
  const day = week.days.find((one) => one.date === at.date);
  const item = day?.items.find((one) => one.id === at.id);
  if (item) return item;
  const warm = day?.warm_ups.find((one) => one.id === at.id);
  return warm
    ? {
        ...warm,
        repetitions: null,
        kind: "warm_up",
        piece: null,
        place: null,
        why: t("components.week.use_week_overrides.begins_every_day"),
        breaks: null,
      }
    : null;
}
