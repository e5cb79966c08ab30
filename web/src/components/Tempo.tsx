import type { Schemas } from "../api/client";
import { t } from "../words";

type Beat = Schemas["SheetItem"]["beat"];
// How a note value is drawn: its flags, whether it has a stem, whether its head is filled.
const SHAPE: Record<Beat["value"], { flags: number; stem: boolean; filled: boolean }> = {
  whole: { flags: 0, stem: false, filled: false },
  half: { flags: 0, stem: true, filled: false },
  quarter: { flags: 0, stem: true, filled: true },
  eighth: { flags: 1, stem: true, filled: true },
  sixteenth: { flags: 2, stem: true, filled: true },
  thirty_second: { flags: 3, stem: true, filled: true },
  sixty_fourth: { flags: 4, stem: true, filled: true },
};

/** A tempo as a metronome mark: what is counted, and how often in a minute. */
export function Tempo({ beat, tempo }: { beat: Beat; tempo: number }) {
  const { flags, stem, filled } = SHAPE[beat.value];
  return (
    <span style={{ whiteSpace: "nowrap" }}>
      <svg
        viewBox={`0 0 ${beat.dotted ? 15 : 11} 20`}
        height="1em"
        role="img"
        aria-label={beat.name}
        style={{ display: "inline-block", verticalAlign: "-0.1em", marginRight: "0.25em" }}
      >
        <g stroke="currentColor" strokeWidth="1.3" fill="none">
          <ellipse
            cx="4.6"
            cy="16"
            rx="3.6"
            ry="2.5"
            transform="rotate(-22 4.6 16)"
            fill={filled ? "currentColor" : "none"}
          />
          {stem && <path d="M8 15V2" />}
          {Array.from({ length: flags }, (_, at) => 2 + at * 3).map((y) => (
            <path key={y} d={`M8 ${y}q1 3 2.4 4.5`} />
          ))}
          {beat.dotted && <circle cx="12.5" cy="16" r="1" fill="currentColor" />}
        </g>
      </svg>
      {t("components.tempo.equals", { tempo })}
    </span>
  );
}
