import { chakra } from "@chakra-ui/react";
import type { Schemas } from "../api/client";
import { colour } from "../theme/system";
import { t } from "../words";

type State = Schemas["State"];

export const stateWord = (state: State) => t(`components.states.${state}`);

/** One tread: waiting a thin line, open an outline, begun filled by its share,
 * steady filled, secure filled with a rail above it. */
export function Tread({
  x,
  y,
  width,
  state,
  share = 0.5,
}: {
  x: number;
  y: number;
  width: number;
  state: State;
  share?: number;
}) {
  const ink = colour("ink");
  if (state === "waiting")
    return <path d={`M${x} ${y + 7}H${x + width}`} stroke={colour("soft")} strokeWidth="1" />;
  return (
    <>
      <rect
        x={x + 0.5}
        y={y + 4.5}
        width={width - 1}
        height={6}
        fill="none"
        stroke={ink}
        strokeWidth="1"
      />
      {state === "begun" && <rect x={x} y={y + 4} width={width * share} height={7} fill={ink} />}
      {(state === "steady" || state === "secure") && (
        <rect x={x} y={y + 4} width={width} height={7} fill={ink} />
      )}
      {state === "secure" && (
        <path d={`M${x} ${y + 1}H${x + width}`} stroke={ink} strokeWidth="1.6" />
      )}
    </>
  );
}

const Svg = chakra("svg");

/** A step's state as a mark, with its word for those who do not see it; an
 * empty label where the word stands beside it. */
export function StateMark({
  state,
  share,
  label,
}: {
  state: State;
  share?: number;
  label?: string;
}) {
  const said = label ?? stateWord(state);
  const role = said ? { role: "img", "aria-label": said } : { "aria-hidden": true };
  return (
    <Svg width="40px" height="13px" viewBox="0 0 40 13" flex="none" {...role}>
      <Tread x={0} y={0} width={40} state={state} share={share} />
    </Svg>
  );
}
