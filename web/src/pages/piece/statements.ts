import type { Schemas } from "../../api/client";
import type { Changes } from "../../api/queries";
import type { Range } from "../../components/page/PageMap";

type Page = Schemas["Page"];

/** A sign one can set on chosen bars: the words on its button, its key, and how
 * the script says it. Pressing again goes to the next saying, then takes it away. */
export type Sign = { words: string; title: string; key: string; said: (from: string, to: string) => string[] };

const span = (from: string, to: string) => (from === to ? from : `${from}-${to}`);
const ending = (pass: number): Sign => ({
  words: `${pass}.`,
  title: `Ending ${pass}`,
  key: String(pass),
  said: (from, to) => [`ending ${pass}: ${span(from, to)}`],
});

export const SIGNS: Sign[] = [
  {
    words: "Repeat",
    title: "Repeat these bars; again for three times",
    key: "r",
    said: (from, to) => [`repeat: ${span(from, to)}`, `repeat: ${span(from, to)} x3`],
  },
  ending(1),
  ending(2),
  ending(3),
  { words: "Sign", title: "The sign (segno) at the first bar", key: "g", said: (from) => [`segno: ${from}`] },
  { words: "To coda", title: "To Coda after the last bar", key: "t", said: (_, to) => [`to coda: ${to}`] },
  { words: "Coda", title: "The coda begins at the first bar", key: "o", said: (from) => [`coda: ${from}`] },
  { words: "Fine", title: "Fine after the last bar", key: "f", said: (_, to) => [`fine: ${to}`] },
  {
    words: "D.C.",
    title: "Da capo after the last bar; again: al Fine, al Coda",
    key: "c",
    said: (_, to) => [`da capo: ${to}`, `da capo: ${to} al fine`, `da capo: ${to} al coda`],
  },
  {
    words: "D.S.",
    title: "Dal segno after the last bar; again: al Fine, al Coda",
    key: "d",
    said: (_, to) => [`dal segno: ${to}`, `dal segno: ${to} al fine`, `dal segno: ${to} al coda`],
  },
  { words: "‖", title: "A double bar line after the last bar", key: "b", said: (_, to) => [`double bar: ${to}`] },
];

export const barAt = (piece: Page, index: number) =>
  piece.pages.flatMap((page) => page.lines.flatMap((line) => line.bars)).find((bar) => bar.index === index);

/** What pressing a sign does to the script. */
export function toggled(sign: Sign, piece: Page, { from, to }: Range): Changes {
  const said = sign.said(barAt(piece, from)?.said ?? "", barAt(piece, to)?.said ?? "");
  const all = [...piece.repeats, ...piece.endings]
    .map((one) => one.statement)
    .concat(
      [from, to].flatMap((bar) => barAt(piece, bar)?.signs.map((one) => one.statement) ?? []),
      barAt(piece, to)?.double ? [`double bar: ${barAt(piece, to)?.said}`] : [],
    );
  const at = said.findIndex((statement) => all.includes(statement));
  const next = said[at + 1];
  return next ? { put: [next] } : { drop: [said[at] as string] };
}

export type Standing = { words: string; statement: string; range?: Range };

/** What is said of the chosen bars: sections and repeats that hold them, and
 * the signs at their ends. */
export function standing(piece: Page, { from, to }: Range): Standing[] {
  const holds = (one: { from: number | null; to: number }) => (one.from ?? 1) <= from && to <= one.to;
  const found: Standing[] = [];
  for (const section of piece.sections) {
    const place = section.spans.find(holds);
    if (place) found.push({ words: section.label, statement: section.statement, range: place });
  }
  for (const one of [...piece.repeats, ...piece.endings])
    if (holds(one))
      found.push({ words: one.statement, statement: one.statement, range: { from: one.from ?? 1, to: one.to } });
  const signs = from === to ? [from] : [from, to];
  for (const bar of signs)
    for (const sign of barAt(piece, bar)?.signs ?? []) found.push({ words: sign.words, statement: sign.statement });
  return found;
}
