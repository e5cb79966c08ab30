import drawn from "../../components/actions.json";
import { colour } from "../../theme/system";

type Line = { d: string; transform?: string };
const DRAWN: Record<string, Line[]> = drawn;
const SIDE = 64;
const NEXT = SIDE + 12;

/** What to do, drawn for those who cannot read yet: our own line drawings, in
 * squares of 64, the same as on paper. */
export function Actions({ actions, label }: { actions: string[]; label: string }) {
  const width = actions.length * NEXT - (NEXT - SIDE);
  return (
    <svg viewBox={`0 0 ${width} ${SIDE}`} width="100%" height="100%" role="img" aria-label={label}>
      <g
        stroke={colour("ink")}
        strokeWidth="5"
        strokeLinecap="round"
        strokeLinejoin="round"
        fill="none"
      >
        {actions.map((action, at) => (
          <g key={action} transform={`translate(${at * NEXT} 0)`}>
            {(DRAWN[action] ?? []).map((line) => (
              <path key={line.transform ?? line.d} {...line} />
            ))}
          </g>
        ))}
      </g>
    </svg>
  );
}
