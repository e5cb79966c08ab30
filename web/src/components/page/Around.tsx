import { colour, edgeOf, tintOf } from "../../theme/system";
import { t } from "../../words";
import { ordinal } from "../dates";
import { Word } from "../Word";
import { type Box, startsLine as opens } from "./geometry";

/** What stands over and under a bar: brackets of endings, the band of its
 * section. The bar's own label says it in words. */
export function Around({ box, before }: { box: Box; before: Box | undefined }) {
  const { bar, x, y, width, height } = box;
  const startsLine = opens(box, before);
  const startsSection = bar.section && (startsLine || before?.bar.section !== bar.section);
  return (
    <>
      {bar.endings.map((ending) => (
        <Bracket key={ending.passes.join()} box={box} ending={ending} startsLine={startsLine} />
      ))}
      {bar.signs.map((sign) => (
        <Tag key={sign.words} box={box} sign={sign} over={bar.endings.length > 0} />
      ))}
      {bar.section && (
        <>
          <rect x={x} y={y + height + 2} width={width} height={14} fill={tintOf(bar.section)} />
          <path
            d={`M${x} ${y + height + 16}H${x + width}`}
            stroke={colour("ink")}
            strokeWidth="1.6"
            strokeDasharray={edgeOf(bar.section)}
          />
          {startsSection && (
            <Word x={x + 6} y={y + height + 13.5} size={13} weight={750} tone="ink">
              {bar.section}
            </Word>
          )}
        </>
      )}
    </>
  );
}

type Sign = Box["bar"]["signs"][number];

/** A sign in words on a tab over its bar: where it begins or where it ends. */
function Tag({ box, sign, over }: { box: Box; sign: Sign; over: boolean }) {
  const width = sign.words.length * 6.9 + 12;
  const x = sign.side === "start" ? box.x : box.x + box.width - width;
  const y = box.y - (over ? 34 : 17);
  return (
    <>
      <rect
        x={x}
        y={y}
        width={width}
        height={15}
        rx={2}
        fill={colour(sign.jump ? "brass" : "ink")}
      />
      <Word x={x + 6} y={y + 11.5} size={13} weight={650} tone="sheet">
        {sign.words}
      </Word>
    </>
  );
}

type Ending = Box["bar"]["endings"][number];

function Bracket({ box, ending, startsLine }: { box: Box; ending: Ending; startsLine: boolean }) {
  const { x, y, width } = box;
  const inset = ending.last ? 4 : 0;
  return (
    <>
      <path
        d={`${ending.first ? `M${x + 2} ${y - 3}V${y - 17}` : `M${x} ${y - 17}`}H${x + width - inset}${ending.last ? `V${y - 9}` : ""}`}
        fill="none"
        stroke={colour("ink")}
        strokeWidth="1.4"
      />
      {(ending.first || startsLine) && (
        <Word x={x + 7} y={y - 5} size={13} weight={650} tone="ink">
          {t("components.page.around.time", { passes: ending.passes.map(ordinal).join(", ") })}
        </Word>
      )}
    </>
  );
}
