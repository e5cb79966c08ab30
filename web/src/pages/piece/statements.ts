import type { Schemas } from "../../api/client";
import type { Range } from "../../components/page/PageMap";

type Page = Schemas["Page"];

export const barAt = (piece: Page, index: number) =>
  piece.pages
    .flatMap((page) => page.lines.flatMap((line) => line.bars))
    .find((bar) => bar.index === index);

/** The chosen bars as people write them. */
export function placeOf(piece: Page, { from, to }: Range) {
  const [first, last] = [barAt(piece, from)?.said ?? "", barAt(piece, to)?.said ?? ""];
  return first === last ? first : `${first}-${last}`;
}

/** The section that stands on just these bars. */
export const sectionOf = (piece: Page, { from, to }: Range) =>
  piece.sections.find((one) => one.spans.some((span) => span.from === from && span.to === to));

/** What else can be typed of chosen bars. */
export const sayings = (piece: Page, range: Range) =>
  piece.sayings.map((saying) =>
    saying
      .replace("{bars}", placeOf(piece, range))
      .replace("{bar}", barAt(piece, range.from)?.said ?? ""),
  );

export type Standing = { words: string; statement: string; range?: Range };

/** What is said of the chosen bars: sections and repeats that hold them, and
 * the signs at their ends. */
export function standing(piece: Page, { from, to }: Range): Standing[] {
  const holds = (one: { from: number | null; to: number }) =>
    (one.from ?? 1) <= from && to <= one.to;
  const found: Standing[] = [];
  for (const section of piece.sections) {
    const place = section.spans.find(holds);
    if (place) found.push({ words: section.label, statement: section.statement, range: place });
  }
  for (const one of [...piece.repeats, ...piece.endings])
    if (holds(one))
      found.push({
        words: one.statement,
        statement: one.statement,
        range: { from: one.from ?? 1, to: one.to },
      });
  const signs = from === to ? [from] : [from, to];
  for (const bar of signs)
    for (const sign of barAt(piece, bar)?.signs ?? [])
      found.push({ words: sign.words, statement: sign.statement });
  return found;
}
