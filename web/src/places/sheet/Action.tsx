import { colour } from "../../theme/system";

const HAND = "M20 52 V30 M28 50 V18 M36 50 V15 M44 52 V20 M12 38 L20 48 Q24 58 34 58 Q46 58 46 46";
const MIRRORED = "translate(64 0) scale(-1 1)";

type Line = { d: string; transform?: string };

const RIGHT: Line[] = [{ d: HAND }];
const SAY: Line[] = [{ d: "M8 32 Q18 20 28 32 Q18 44 8 32 M38 22 Q46 32 38 42 M46 14 Q60 32 46 50" }];
const LOOK: Line[] = [{ d: "M6 32 Q32 6 58 32 Q32 58 6 32 Z M32 28 A4 4 0 1 0 32 36 A4 4 0 1 0 32 28" }];

/** Our own line drawings, in a square of 64. */
const DRAWN: Record<string, Line[]> = {
  right: RIGHT,
  left: [{ d: HAND, transform: MIRRORED }],
  both: [
    { d: HAND, transform: `translate(0 8) scale(0.55) ${MIRRORED}` },
    { d: HAND, transform: "translate(30 8) scale(0.55)" },
  ],
  clap: [{ d: "M14 56 L30 24 M24 60 L40 28 M46 14 L50 4 M54 20 L62 14 M34 14 L30 4" }],
  tap: [{ d: "M6 56 H58 M20 46 V22 M44 46 V22 M12 16 Q20 6 28 16 M36 16 Q44 6 52 16" }],
  say: SAY,
  sing: SAY,
  listen: SAY,
  slow: [{ d: "M6 50 H52 Q60 50 58 40 M14 48 Q14 22 34 22 Q50 22 50 48 M24 48 Q24 32 34 32 Q42 32 40 42" }],
  fast: [{ d: "M8 18 L28 32 L8 46 M32 18 L52 32 L32 46" }],
  pedal: [{ d: "M8 54 H56 M14 54 Q16 36 30 40 L50 46 M32 8 V28 M24 20 L32 28 L40 20" }],
  look: LOOK,
  point: LOOK,
  eyes: LOOK,
};

/** What to do, drawn for those who cannot read yet. */
export function Action({ action, label }: { action: string; label: string }) {
  return (
    <svg viewBox="0 0 64 64" width="64" height="64" role="img" aria-label={label}>
      <g stroke={colour("ink")} strokeWidth="5" strokeLinecap="round" fill="none">
        {(DRAWN[action] ?? RIGHT).map((line) => (
          <path key={line.transform ?? line.d} {...line} />
        ))}
      </g>
    </svg>
  );
}
