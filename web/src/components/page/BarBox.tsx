import { colour } from "../../theme/system";
import { t } from "../../words";
import { Word } from "../Word";
import { type Box, startsLine as opens, spoken } from "./geometry";

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
  const { bar, x, y, width, height } = box;
  const startsLine = opens(box, before);
  const tone = lit
    ? colour("railSoft")
    : bar.relation === "new"
      ? colour("shade")
      : colour("sheet");
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
      <rect x={x} y={y} width={width} height={height} fill={tone} />
      {!lit && (bar.relation === "moved" || bar.relation === "rhythm") && (
        <rect x={x} y={y + height / 2} width={width} height={height / 2} fill={colour("shade")} />
      )}
      <path
        d={`M${x} ${y}H${x + width}M${x} ${y + height}H${x + width}M${x + width} ${y}V${y + height}`}
        stroke={colour("ink")}
        strokeWidth="1"
      />
      {startsLine && <path d={`M${x} ${y}V${y + height}`} stroke={colour("ink")} strokeWidth="1" />}
      <Word x={x + (bar.opens ? 15 : 6)} y={y + 15} size={13} tone="soft">
        {bar.name === "0" ? "" : bar.name}
      </Word>
      {bar.opens && <RepeatSign x={x} y={y} height={height} side={1} />}
      {bar.double && (
        <path d={`M${x + width - 4} ${y}V${y + height}`} stroke={colour("ink")} strokeWidth="1" />
      )}
      {box.marks.map((row, at) => (
        <Word
          key={row}
          x={x + (bar.opens ? 13 : 5)}
          y={y + height - 6 - 15 * (box.marks.length - 1 - at)}
          size={13}
          tone="soft"
        >
          {row}
        </Word>
      ))}
      {bar.closes && (
        <RepeatSign x={x + width} y={y} height={height} side={-1} times={bar.closes} />
      )}
    </g>
  );
}

type Sign = { x: number; y: number; height: number; side: 1 | -1; times?: number };

/** Thick line and two dots, on the side where the repeat lies. */
function RepeatSign({ x, y, height, side, times }: Sign) {
  return (
    <>
      <path d={`M${x + side} ${y}V${y + height}`} stroke={colour("ink")} strokeWidth="4" />
      <circle cx={x + 8 * side} cy={y + height / 2 - 5} r="2.2" fill={colour("ink")} />
      <circle cx={x + 8 * side} cy={y + height / 2 + 5} r="2.2" fill={colour("ink")} />
      {times && times > 2 && (
        <Word x={x - 8} y={y - 5} size={13} weight={650} tone="ink" anchor="end">
          {t("components.page.bar_box.times", { times })}
        </Word>
      )}
    </>
  );
}
