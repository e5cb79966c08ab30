import type { Schemas } from "../api/client";
import { colour } from "../theme/system";
import { t } from "../words";

type State = Schemas["State"];

/** A student's piece as a small flight of stairs, one tread a step, rising to
 * the right. */
type Props = { states: State[]; percent: number; title: string; width?: number; height?: number };

/** Drawn in a few strokes however many steps there are: a studio has hundreds of
 * students. */
export function Climb({ states, percent, title, width = 220, height = 40 }: Props) {
  const tread = width / Math.max(states.length, 1);
  const wide = Math.max(tread - 1, 1.5);
  const rise = (height - 13) / Math.max(states.length - 1, 1);
  const count = (state: State) => states.filter((one) => one === state).length;
  const said = (["secure", "steady", "begun", "open", "waiting"] as const)
    .filter(count)
    .map((state) => `${count(state)} ${state}`);
  const stroke = (which: State[], draw: (x: number, y: number) => string) =>
    states.map((state, at) => (which.includes(state) ? draw(at * tread, height - 13 - at * rise) : "")).join("");
  const box = (x: number, y: number, w: number) => `M${f(x)} ${f(y + 4)}h${f(w)}v7h${f(-w)}z`;
  const line = (x: number, y: number) => `M${f(x)} ${f(y)}h${f(wide)}`;
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width="100%"
      style={{ maxWidth: width, display: "block" }}
      role="img"
      aria-label={t("components.climb.said", { title, percent, states: said.join(", ") })}
    >
      <path d={`M0 ${height - 0.5}H${width}`} stroke={colour("line")} />
      <path d={stroke(["waiting"], (x, y) => line(x, y + 7))} stroke={colour("soft")} />
      <path
        d={stroke(["open", "begun"], (x, y) => box(x + 0.5, y + 0.5, wide - 1))}
        fill="none"
        stroke={colour("ink")}
      />
      <path
        d={stroke(["begun"], (x, y) => box(x, y, wide / 2)) + stroke(["steady", "secure"], (x, y) => box(x, y, wide))}
        fill={colour("ink")}
      />
      <path d={stroke(["secure"], (x, y) => line(x, y + 1))} stroke={colour("ink")} strokeWidth="1.6" />
    </svg>
  );
}

// Two decimals are finer than any screen.
const f = (value: number) => Number(value.toFixed(2));
