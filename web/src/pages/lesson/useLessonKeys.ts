import { useEffect } from "react";
import { weekKeys } from "../../components/week/useWeekKeys";
import { t } from "../../words";
import { RESULTS, type Result } from "./results";
import { type Hearing, unticked } from "./useResults";

export const lessonKeys = (): [string, string][] => [
  ["↑ ↓", t("lesson.keys.step_to_step")],
  ["1 2 3 4", t("lesson.keys.results")],
  ["0", t("lesson.keys.not_heard")],
  ["h  H", t("lesson.keys.stumbles")],
  ["t", t("lesson.keys.tempo")],
  ["o", t("lesson.keys.offered")],
  ["c  b  n", t("lesson.keys.why_where_note")],
  ["x", t("lesson.keys.tick")],
  ["r  l", t("lesson.keys.recap_and_notes")],
  ["w", t("lesson.keys.week")],
  ["f", t("lesson.keys.finish")],
  [t("lesson.keys.in_the_week"), ""],
  ...weekKeys(),
];

/** A whole lesson by keys: the step in hand takes them, wherever the focus is. */
export function useLessonKeys(hearing: Hearing, finish: () => void) {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const target = event.target as HTMLElement;
      if (event.key === "Escape" && target.matches("input, textarea, select")) return target.blur();
      if (
        target.matches("input, textarea, select") ||
        event.ctrlKey ||
        event.metaKey ||
        event.altKey
      )
        return;
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
    ["r", underTheGreeting],
    ["l", () => focus("[data-key=l]")],
    ["w", () => focus("[data-item]")],
  ];
  const found = anywhere.find(([name]) => name === key)?.[1];
  if (found || !one) return found;
  const result: Result | undefined =
    key === "0" ? "not_heard" : RESULTS.find(([name]) => name === key)?.[1];
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
    [
      "o",
      () =>
        document.querySelector<HTMLElement>("[aria-current=true] [role=status] button")?.click(),
    ],
    ["c", () => focus("[aria-current=true] [data-key=c]")],
    ["b", () => focus("[aria-current=true] [data-key=b]")],
    ["n", () => focus("[aria-current=true] [data-key=n]")],
  ];
  return counting.find(([name]) => name === key)?.[1];
}

/** The caret stands on the empty line below the recap's greeting. */
function underTheGreeting() {
  const recap = document.querySelector<HTMLTextAreaElement>("textarea[data-key=r]");
  if (!recap) return;
  const below = recap.value.indexOf("\n") + 1;
  const at = below > 0 ? below : recap.value.length;
  recap.focus();
  recap.setSelectionRange(at, at);
}

/** What is folded opens for it. */
function focus(css: string) {
  const found = document.querySelector<HTMLElement>(css);
  found?.closest("details")?.setAttribute("open", "");
  found?.focus();
}
