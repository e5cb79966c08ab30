import { useEffect, useRef } from "react";
import type { Schemas } from "../../api/client";
import { useHelp } from "../../components/KeyHelp";
import type { Range } from "../../components/page/PageMap";
import { t } from "../../words";
import type { Tab } from "./Side";
import { standing } from "./statements";
import type { Bench } from "./useBench";
import type { Walking } from "./useWalk";

type Keys = {
  bench: Bench;
  chosen: Range | null;
  choose: (range: Range | null) => void;
  walk: Walking;
  onTab: (tab: Tab) => void;
  /** Something else takes the keys. */
  off: boolean;
};

const TABS: Record<string, Tab> = {
  m: "map",
  l: "preview",
  k: "check",
  x: "text",
  v: "notes",
  p: "past",
  u: "learners",
};

// Milliseconds after Enter in a field in which letters are no keys yet. Own choice.
const TYPES_ON = 500;

/** The keys of the workbench; none of them while one types. */
export function useBenchKeys({ bench, chosen, choose, walk, onTab, off }: Keys) {
  useHelp(t("piece.use_bench_keys.the_page"), [
    ["← → ↑ ↓", t("piece.use_bench_keys.move_from_bar_to_bar_with")],
    ["S", t("piece.use_bench_keys.name_a_section")],
    ...bench.piece.signs.map((sign): [string, string] => [sign.shortcut.toUpperCase(), sign.title]),
    [t("piece.use_bench_keys.delete"), t("piece.use_bench_keys.take_away_what_stands_on_exactly")],
    [t("piece.use_bench_keys.ctrl_z_ctrl_y"), t("piece.use_bench_keys.undo_redo")],
    [t("piece.use_bench_keys.space"), t("piece.use_bench_keys.play_and_stop")],
    [". ,", t("piece.use_bench_keys.walk_one_bar_on_one_back")],
    ["M L K X V P U", t("piece.use_bench_keys.tabs")],
    [t("piece.use_bench_keys.esc"), t("piece.use_bench_keys.choose_nothing")],
  ]);

  const entered = useRef(0);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing = (event.target as Element).matches("input, textarea, select");
      const key = event.key.toLowerCase();
      if (typing && key === "enter") entered.current = event.timeStamp;
      // Who types on after Enter means the field they were in.
      if (!typing && key.length === 1 && event.timeStamp - entered.current < TYPES_ON) return;
      if ((event.ctrlKey || event.metaKey) && (key === "z" || key === "y")) {
        event.preventDefault();
        return key === "y" || event.shiftKey ? bench.redo?.() : bench.undo?.();
      }
      if (typing || event.ctrlKey || event.metaKey || event.altKey) return;
      if (key === " " && !(event.target as Element).matches("button, summary, a"))
        return done(event, walk.playing ? walk.stop : walk.play);
      if (key === ".") return done(event, () => walk.step(1));
      if (key === ",") return done(event, () => walk.step(-1));
      if (off) return;
      const tab = TABS[key];
      if (tab) return done(event, () => onTab(tab));
      if (!chosen) return;
      if (key === "escape") return choose(null);
      if (key === "s")
        return done(event, () => window.dispatchEvent(new Event("stairwell-name-section")));
      if (key === "delete" || key === "backspace") {
        return done(event, () => bench.apply((page) => ({ drop: exactly(page, chosen) })));
      }
      const sign = bench.piece.signs.find((one) => one.shortcut === key);
      if (sign) done(event, () => bench.apply({ sign: { key: sign.key, ...chosen } }));
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });
}

/** The statements about exactly these bars. */
const exactly = (page: Schemas["Page"], { from, to }: Range) =>
  standing(page, { from, to })
    .filter(({ range }) => !range || (range.from === from && range.to === to))
    .map((one) => one.statement);

function done(event: KeyboardEvent, work: () => unknown) {
  event.preventDefault();
  work();
}
