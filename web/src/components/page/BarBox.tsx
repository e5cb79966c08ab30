import { colour } from "../../theme/system";
import { t } from "../../words";
import { Word } from "../Word";
import { BAR, type Box, startsLine as opens, spoken } from "./geometry";

type BoxProps = {
  box: Box;
  before: Box | undefined;
  lit: boolean;
  chosen: boolean;
  reachable: boolean;
  onFocus: () => void;
  onPointerEnter: () => void;
  onPointerDown: (event: React.PointerEvent) => void;
};

/** A bar of the printed line: its number, its marks, how new it is. */
export function BarBox({ box, before, lit, chosen, reachable, ...does }: BoxProps) {
  const { bar, x, y, width } = box;
  const startsLine = opens(box, before);
  const tone = lit ? colour("railSoft") : bar.relation === "new" ? colour("shade") : colour("sheet");
  return (
    <g
      role="option"
      data-bar={bar.index}
      tabIndex={reachable ? 0 : -1}
      aria-selected={chosen}
      aria-label={spoken(bar)}
      {...does}
      style={{ cursor: "pointer", outline: "none" }}
    >
      <rect x={x} y={y} width={width} height={BAR} fill={tone} />
      {!lit && (bar.relation === "moved" || bar.relation === "rhythm") && (
        <rect x={x} y={y + BAR / 2} width={width} height={BAR / 2} fill={colour("shade")} />
      )}
      <path
        d={`M${x} ${y}H${x + width}M${x} ${y + BAR}H${x + width}M${x + width} ${y}V${y + BAR}`}
        stroke={colour("ink")}
        strokeWidth="1"
      />
      {startsLine && <path d={`M${x} ${y}V${y + BAR}`} stroke={colour("ink")} strokeWidth="1" />}
      <Word x={x + (bar.opens ? 15 : 6)} y={y + 15} size={12} tone="soft">
        {bar.name === "0" ? "" : bar.name}
      </Word>
      {bar.opens && <RepeatSign x={x} y={y} side={1} />}
      {bar.double && <path d={`M${x + width - 4} ${y}V${y + BAR}`} stroke={colour("ink")} strokeWidth="1" />}
      {bar.marks.length > 0 && (
        <Word x={x + (bar.opens ? 13 : 6)} y={y + BAR - 5} size={11} tone="soft">
          {short(bar.marks, width - (bar.opens ? 7 : 0))}
        </Word>
      )}
      {bar.closes && <RepeatSign x={x + width} y={y} side={-1} times={bar.closes} />}
    </g>
  );
}

// "right 3 on B4" as R3 B4: the label says it in full.
const start = (mark: string) =>
  mark.replace(/^(r|l)\w+ (\d) on /, (_, hand, finger) => `${hand.toUpperCase()}${finger} `);

/** As many of the marks as the box has room for. */
function short(marks: string[], width: number) {
  const room = Math.floor((width - 10) / 5.6);
  const words = [...new Set(marks)].map(start).join(" · ");
  return words.length <= room ? words : `${words.slice(0, Math.max(room - 1, 1)).trimEnd()}…`;
}

/** Thick line and two dots, on the side where the repeat lies. */
function RepeatSign({ x, y, side, times }: { x: number; y: number; side: 1 | -1; times?: number }) {
  return (
    <>
      <path d={`M${x + side} ${y}V${y + BAR}`} stroke={colour("ink")} strokeWidth="4" />
      <circle cx={x + 8 * side} cy={y + 20} r="2.2" fill={colour("ink")} />
      <circle cx={x + 8 * side} cy={y + 30} r="2.2" fill={colour("ink")} />
      {times && times > 2 && (
        <Word x={x - 8} y={y - 5} size={12} weight={650} tone="ink" anchor="end">
          {t("components.page.bar_box.times", { times })}
        </Word>
      )}
    </>
  );
}
