import { useEffect } from "react";
import { WEEK_KEYS } from "../../components/week/useWeekKeys";
import { RESULTS, type Result } from "./results";
import { type Hearing, unticked } from "./useResults";

export const LESSON_KEYS: [string, string][] = [
  ["↑ ↓", "from step to step"],
  ["1 2 3 4", "not yet, shaky, steady, secure; then the next step"],
  ["0", "not heard; takes a result back"],
  ["h  H", "one stumble more, one less"],
  ["t", "tap the tempo"],
  ["o", "take the offered result"],
  ["c  b  n", "why, where, a note; Esc comes back"],
  ["x", "tick the row as on the paper chart"],
  ["r  l", "to the recap, to the notes"],
  ["w", "to the week"],
  ["f", "finish the lesson"],
  ["in the week:", ""],
  ...WEEK_KEYS,
];

/** A whole lesson by keys: the step in hand takes them, wherever the focus is. */
export function useLessonKeys(hearing: Hearing, finish: () => void) {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (event.key === "Escape" && target.matches("input, textarea, select")) return target.blur();
      if (target.matches("input, textarea, select") || event.ctrlKey || event.metaKey || event.altKey) return;
      const act = action(event.key, hearing, finish);
      if (!act) return;
      event.preventDefault();
      act();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
}

function action(key: string, hearing: Hearing, finish: () => void): (() => void) | undefined {
  const { current: one, at, rows, setAt } = hearing;
  const go = (to: number) => setAt(Math.min(Math.max(to, 0), rows.length - 1));
  const anywhere: [string, () => void][] = [
    ["ArrowDown", () => go(at + 1)],
    ["j", () => go(at + 1)],
    ["ArrowUp", () => go(at - 1)],
    ["k", () => go(at - 1)],
    ["f", finish],
    ["r", () => focus("[data-key=r]")],
    ["l", () => focus("[data-key=l]")],
    ["w", () => focus("[data-item]")],
  ];
  const found = anywhere.find(([name]) => name === key)?.[1];
  if (found || !one) return found;
  const result: Result | undefined = key === "0" ? "not_heard" : RESULTS.find(([name]) => name === key)?.[1];
  if (result)
    return () => {
      hearing.say(one, result);
      if (result !== "not_heard") go(at + 1);
    };
  const stumbles = hearing.draftOf(one).stumbles;
  const counting: [string, () => void][] = [
    ["h", () => hearing.count(one, { stumbles: stumbles + 1 })],
    ["H", () => hearing.count(one, { stumbles: Math.max(0, stumbles - 1) })],
    ["t", () => hearing.tap(one)],
    ["x", () => hearing.tick(one, unticked(one), true)],
    ["o", () => document.querySelector<HTMLElement>("[aria-current=true] [role=status] button")?.click()],
    ["c", () => focus("[aria-current=true] [data-key=c]")],
    ["b", () => focus("[aria-current=true] [data-key=b]")],
    ["n", () => focus("[aria-current=true] [data-key=n]")],
  ];
  return counting.find(([name]) => name === key)?.[1];
}

const focus = (css: string) => document.querySelector<HTMLElement>(css)?.focus();
