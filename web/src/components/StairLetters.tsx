import type { Schemas } from "../api/client";
import { Word } from "./Word";

const LETTER = 12;

type Props = {
  climb: Schemas["Stairs"];
  x: (date: string) => number;
  y: (height: number) => number;
};

/** The letters of the sections, below the treads of each day, where they have room. */
export function StairLetters({ climb, x, y }: Props) {
  const letterOf = new Map(
    climb.flights
      .filter((flight) => flight.kind === "section")
      .flatMap((flight) => flight.treads.map((tread) => [tread.id, flight.name] as const)),
  );
  const dates = [...new Set(climb.real.map((rise) => rise.date))];
  const words = dates.flatMap((date) => {
    const that = climb.real.filter((rise) => rise.date === date);
    const letters = [...new Set(that.flatMap((rise) => letterOf.get(rise.id) ?? []))].join(" ");
    return letters ? [{ letters, x: x(date) + 4, y: y(that.at(-1)?.to ?? 0) + LETTER + 2 }] : [];
  });
  const placed: typeof words = [];
  for (const word of words) {
    const last = placed.at(-1);
    const meets =
      last &&
      word.x - last.x < last.letters.length * LETTER * 0.65 + 4 &&
      Math.abs(word.y - last.y) < LETTER;
    if (!meets) placed.push(word);
  }
  return placed.map((word) => (
    <Word key={word.x} x={word.x} y={word.y} size={LETTER} weight={700} tone="ink">
      {word.letters}
    </Word>
  ));
}
