import type { ReactNode } from "react";
import { colour } from "../theme/system";

type Props = {
  x: number;
  y: number;
  children: ReactNode;
  size?: number;
  weight?: number;
  tone?: Parameters<typeof colour>[0];
  anchor?: "start" | "middle" | "end";
};

/** Text in a drawing. What it says is said again in words by the drawing's
 * label, so screen readers pass over it. */
export function Word({
  x,
  y,
  children,
  size = 13,
  weight = 400,
  tone = "soft",
  anchor = "start",
}: Props) {
  return (
    <text
      x={x}
      y={y}
      aria-hidden="true"
      textAnchor={anchor}
      style={{ fontSize: size, fontWeight: weight, fill: colour(tone), pointerEvents: "none" }}
    >
      {children}
    </text>
  );
}
