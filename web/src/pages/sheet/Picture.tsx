import type { Schemas } from "../../api/client";
import { Word } from "../../components/Word";
import { colour } from "../../theme/system";
import { t } from "../../words";

type PictureProps = { picture: Schemas["SheetItem"]["picture"]; now?: number; width?: number };

/** The page in small: lines of bars, those to practise filled, and the finger under
 * the bar where it is. */
export function Picture({ picture, now, width = 320 }: PictureProps) {
  const left = 62;
  const rowHeight = 13;
  const rows = picture.reduce((sum, page) => sum + page.lines.length, 0);
  const height = rows * rowHeight + picture.length * 10;
  let y = 2;
  const said = picture.flatMap((page) =>
    page.lines
      .filter((line) => line.bars.some(Boolean))
      .map((line) =>
        page.page
          ? t("sheet.picture.page_and_line", { page: page.page, line: line.line })
          : t("sheet.picture.line", { line: line.line }),
      ),
  );
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width="100%"
      role="img"
      aria-label={t("sheet.picture.on_the_page", { places: said.join("; ") })}
      style={{ display: "block", marginTop: 8, maxWidth: 440 }}
    >
      {picture.map((page) => {
        const top = y;
        y += page.lines.length * rowHeight + 10;
        return (
          <g key={page.page ?? 0}>
            {page.page && (
              <Word x={0} y={top + 9} size={10} weight={650} tone="soft">
                {t("sheet.picture.page_short", { page: page.page })}
              </Word>
            )}
            {page.lines.map((line, down) => {
              const bar = (width - left - 2) / line.bars.length;
              const on = line.bars.some(Boolean);
              return (
                <g key={line.line}>
                  <Word
                    x={left - 6}
                    y={top + down * rowHeight + 9}
                    size={10}
                    anchor="end"
                    tone="soft"
                    weight={on ? 700 : 400}
                  >
                    {line.line}
                  </Word>
                  {line.bars.map((lit, at) => (
                    <rect
                      key={at}
                      x={left + at * bar}
                      y={top + down * rowHeight}
                      width={bar}
                      height={rowHeight - 2}
                      fill={lit ? colour("ink") : colour("sheet")}
                      stroke={lit ? colour("sheet") : colour("soft")}
                      strokeWidth={lit ? 1 : 0.6}
                    />
                  ))}
                  <Finger
                    at={now && line.from ? now - line.from : -1}
                    of={line.bars.length}
                    x={left}
                    y={top + down * rowHeight}
                    bar={bar}
                    tall={rowHeight - 2}
                  />
                </g>
              );
            })}
          </g>
        );
      })}
    </svg>
  );
}

type FingerProps = { at: number; of: number; x: number; y: number; bar: number; tall: number };

/** The bar where one is: a hollow in the filled ones, wider than they are. */
function Finger({ at, of, x, y, bar, tall }: FingerProps) {
  if (at < 0 || at >= of) return null;
  return (
    <rect
      data-finger
      x={x + at * bar - 1}
      y={y - 1}
      width={bar + 2}
      height={tall + 2}
      rx="2"
      fill={colour("brassSoft")}
      stroke={colour("brass")}
      strokeWidth="2.5"
    />
  );
}
