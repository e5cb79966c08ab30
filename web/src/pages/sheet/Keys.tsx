import type { Schemas } from "../../api/client";
import { colour } from "../../theme/system";
import { t } from "../../words";

type Start = Schemas["SheetItem"]["starts"][number];

const WHITE = [0, 2, 4, 5, 7, 9, 11];
const WIDE = 15;

const keyWord = ({ finger, note }: Start) =>
  finger ? t("sheet.keys.finger_on", { finger, note }) : t("sheet.keys.on", { note });

/** Where the hands begin: a few keys with the finger on the first one. */
export function Keys({ starts }: { starts: Start[] }) {
  if (starts.length === 0) return null;
  const numbers = starts.map((one) => one.midi);
  const low = Math.floor(Math.min(...numbers) / 12) * 12;
  const high = Math.max(Math.floor(Math.max(...numbers) / 12) * 12, low) + 12;
  const all = Array.from({ length: high - low + 1 }, (_, up) => low + up);
  const white = all.filter((key) => WHITE.includes(key % 12));
  const at = (key: number) => starts.find((one) => one.midi === key);
  const said = (["right", "left"] as const)
    .map((hand) => ({ hand, keys: starts.filter((one) => one.hand === hand) }))
    .filter(({ keys }) => keys.length > 0)
    .map(({ hand, keys }) => t(`sheet.keys.${hand}`, { keys: keys.map(keyWord).join(", ") }))
    .join("; ");
  return (
    <figure style={{ margin: "8px 0 0" }}>
      <svg
        viewBox={`0 0 ${white.length * WIDE} 56`}
        width="100%"
        style={{ maxWidth: white.length * WIDE }}
        role="img"
        aria-label={t("sheet.keys.start", { said })}
      >
        {white.map((key, place) => (
          <g key={key}>
            <rect
              x={place * WIDE + 0.5}
              y="0.5"
              width={WIDE - 1}
              height="55"
              fill={at(key) ? colour("railSoft") : colour("sheet")}
              stroke={colour("ink")}
            />
            <Finger x={place * WIDE + WIDE / 2} y={48} start={at(key)} />
          </g>
        ))}
        {all
          .filter((key) => !white.includes(key))
          .map((key) => (
            <g key={key}>
              <rect
                x={white.indexOf(key - 1) * WIDE + WIDE * 0.66}
                y="0.5"
                width={WIDE * 0.68}
                height="33"
                fill={at(key) ? colour("railSoft") : colour("ink")}
                stroke={colour("ink")}
              />
              <Finger x={white.indexOf(key - 1) * WIDE + WIDE} y={27} start={at(key)} />
            </g>
          ))}
      </svg>
      <figcaption>{t("sheet.keys.start", { said })}</figcaption>
    </figure>
  );
}

/** The finger on its key; a dot where nobody says which. */
function Finger({ x, y, start }: { x: number; y: number; start: Start | undefined }) {
  if (!start) return null;
  return (
    <text
      x={x}
      y={y}
      textAnchor="middle"
      aria-hidden="true"
      style={{ fontSize: 13, fontWeight: 700, fill: colour("ink") }}
    >
      {start.finger ?? "•"}
    </text>
  );
}
