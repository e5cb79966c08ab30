import type { Schemas } from "../../api/client";
import { Word } from "../../parts/Word";
import { colour } from "../../theme/system";

/** The page in small: lines of bars, those to practise filled. */
export function Picture({ picture, width = 320 }: { picture: Schemas["SheetItem"]["picture"]; width?: number }) {
  const left = 62;
  const rowHeight = 13;
  const rows = picture.reduce((sum, page) => sum + page.lines.length, 0);
  const height = rows * rowHeight + picture.length * 10;
  let y = 2;
  const said = picture.flatMap((page) =>
    page.lines
      .filter((line) => line.bars.some(Boolean))
      .map((line) => `${page.page ? `page ${page.page}, ` : ""}line ${line.line}`),
  );
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      width="100%"
      role="img"
      aria-label={`On the page: ${said.join("; ")}`}
      style={{ display: "block", marginTop: 8, maxWidth: 440 }}
    >
      {picture.map((page) => {
        const top = y;
        y += page.lines.length * rowHeight + 10;
        return (
          <g key={page.page ?? 0}>
            {page.page && (
              <Word x={0} y={top + 9} size={10} weight={650} tone="soft">
                p. {page.page}
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
                </g>
              );
            })}
          </g>
        );
      })}
    </svg>
  );
}
