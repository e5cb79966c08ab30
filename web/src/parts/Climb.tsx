import type { Schemas } from "../api/client";
import { colour } from "../theme/system";
import { Tread } from "./StateMark";

type Step = { title: string; state: Schemas["State"] };

/** A student's piece as a small flight of stairs, one tread a step, rising to
 * the right. */
type Props = { steps: Step[]; percent: number; title: string; width?: number; height?: number };

export function Climb({ steps, percent, title, width = 220, height = 40 }: Props) {
  const tread = width / Math.max(steps.length, 1);
  const rise = (height - 13) / Math.max(steps.length - 1, 1);
  const count = (state: Step["state"]) => steps.filter((step) => step.state === state).length;
  const said = (["secure", "steady", "begun", "open", "waiting"] as const)
    .filter(count)
    .map((state) => `${count(state)} ${state}`);
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width="100%"
      style={{ maxWidth: width, display: "block" }}
      role="img"
      aria-label={`${title}: ${percent} % of the work, ${said.join(", ")}`}
    >
      <path d={`M0 ${height - 0.5}H${width}`} stroke={colour("line")} />
      {steps.map((step, at) => (
        <Tread
          key={step.title}
          x={at * tread}
          y={height - 13 - at * rise}
          width={Math.max(tread - 1, 1.5)}
          state={step.state}
        />
      ))}
    </svg>
  );
}
