import { useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { newKey } from "../../api/client";
import { useOverride } from "../../api/queries";
import { t } from "../../words";
import { useMay } from "../Rights";

type Override = Schemas["Override"];
type Edit = Omit<Parameters<ReturnType<typeof useOverride>["mutate"]>[0], "starts" | "seen">;
/** An item where it stands; the same item stands on several days. */
export type Chosen = { id: string; date: string };

/** The teacher's hand on one week: each stroke is sent, planned around, and can
 * be taken back. */
export function useWeekOverrides(student: number, week: Schemas["Week"], hand: Schemas["WeekOverrides"]) {
  const [chosen, setChosen] = useState<Chosen | null>(null);
  // What was pressed stays chosen while the pointer crosses others on its way to the buttons.
  const held = useRef(false);
  const before = useRef<Override[][]>([]);
  const save = useOverride(student);
  const fixed = !useMay()("change");
  const dates = week.days.map((day) => day.date).filter((date) => date >= week.planned_from);
  const send = (edit: Edit) => save.mutate({ ...edit, starts: week.starts, seen: hand.version });
  const draw = (edit: Edit) => {
    if (save.isPending || fixed) return;
    before.current.push(hand.list);
    send(edit);
  };
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
    busy: save.isPending,
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
    pin: (at: Chosen) => draw({ edit: find(week, at)?.pinned ? "loosen" : "pin", ...at }),
    put: (id: string, date: string) => draw({ edit: "pin", id, date }),
    move: (at: Chosen, to: string | undefined) => {
      if (!to || to === at.date) return;
      draw({ edit: "move", ...at, to });
      setChosen({ id: at.id, date: to });
    },
    /** To the practice day before or after. */
    shift: (at: Chosen, by: 1 | -1) => (dates.includes(at.date) ? dates[dates.indexOf(at.date) + by] : undefined),
    drop: (at: Chosen) => draw({ edit: "drop", ...at }),
    leaveOut: (id: string) => draw({ edit: "leave_out", id }),
    resize: (at: Chosen, by: 1 | -1) => {
      const found = find(week, at);
      if (!found) return;
      if (found.repetitions && found.kind !== "run")
        return found.repetitions + by > 0 && draw({ edit: "resize", ...at, repetitions: found.repetitions + by });
      return found.minutes + by >= 1 && draw({ edit: "resize", ...at, minutes: found.minutes + by });
    },
    add: (date: string, title: string, minutes: number) =>
      draw({
        edit: "add",
        id: `extra ${newKey()}`,
        date,
        title,
        minutes,
      }),
    undo: () => {
      const overrides = before.current.pop();
      if (overrides && !save.isPending) send({ edit: "set", overrides });
    },
    canUndo: before.current.length > 0,
    clear: () => draw({ edit: "set", overrides: [] }),
  };
}

export type WeekOverrides = ReturnType<typeof useWeekOverrides>;

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
