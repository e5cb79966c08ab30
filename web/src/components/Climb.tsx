import type { Schemas } from "../api/client";
import { colour } from "../theme/system";
import { t } from "../words";

type Piece = Schemas["StudioRow"]["pieces"][number];
type Outlook = Schemas["StudioRow"]["outlooks"][number];

type Props = { piece: Piece; outlook?: Outlook; today: string };

const WIDTH = 220;
const HEIGHT = 40;
const DAY = 86_400_000;
const noon = (date: string) => new Date(`${date}T12:00:00Z`).getTime();

/** A student's piece as the staircase in small: to the right the days, upward the work that is
 * steady; from today broken to the day when all of it likely is. Drawn in a few strokes, as a
 * studio has hundreds of students. */
export function Climb({ piece, outlook, today }: Props) {
  const { states, percent, title, climb } = piece;
  const count = (state: Schemas["State"]) => states.filter((one) => one === state).length;
  const said = (["secure", "steady", "begun", "open", "waiting"] as const)
    .filter(count)
    .map((state) => `${count(state)} ${state}`);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      width="100%"
      style={{ maxWidth: WIDTH, display: "block" }}
      role="img"
      aria-label={t("components.climb.said", { title, percent, states: said.join(", ") })}
    >
      <path d={`M0 ${HEIGHT - 0.5}H${WIDTH}`} stroke={colour("line")} />
      {climb && (
        <Stairs climb={climb} percent={percent} likely={outlook?.likely ?? null} today={today} />
      )}
    </svg>
  );
}

type StairsProps = {
  climb: NonNullable<Piece["climb"]>;
  percent: number;
  likely: string | null;
  today: string;
};

function Stairs({ climb, percent, likely, today }: StairsProps) {
  const from = noon(climb.from);
  const last = Math.max(noon(today), likely ? noon(likely) : 0, from + 14 * DAY);
  const x = (date: string) => f(((noon(date) - from) / (last - from)) * WIDTH);
  const y = (high: number) => f(HEIGHT - 1 - (high / 100) * (HEIGHT - 3));
  const steps = climb.rises.map((rise) => `H${x(rise.date)}V${y(rise.percent)}`).join("");
  const now = x(today);
  return (
    <>
      <path
        d={`M0 ${y(0)}${steps}H${now}V${y(0)}z`}
        fill={colour("ink")}
        stroke={colour("ink")}
        strokeWidth="0.8"
      />
      {likely && (
        <path
          d={`M${now} ${y(percent)}L${x(likely)} ${y(100)}`}
          stroke={colour("soft")}
          strokeWidth="1.4"
          strokeDasharray="4 3"
          fill="none"
        />
      )}
    </>
  );
}

// Two decimals are finer than any screen.
const f = (value: number) => Number(value.toFixed(2));
