import type { Schemas } from "../../api/client";
import { t } from "../../words";

export type Bar = Schemas["Bar"];
export type PageLines = Schemas["Page"]["pages"];

export type SectionSpans = Pick<Schemas["Section"], "label" | "words" | "spans" | "statement">;

/** Where one bar is drawn, in units of the drawing, and its marks in as many rows as they need. */
export type Box = {
  bar: Bar;
  x: number;
  y: number;
  width: number;
  height: number;
  marks: string[];
  page: number;
  line: number;
  lineEnd: boolean;
};

// Of a bar: as low as it may be, its number alone, each row of marks, and the band of its section
// below it.
const LOWEST = 40;
const NUMBER = 21;
const MARKS = 15;
const BAND = 18;
// Over a line: nothing, signs or endings, or both.
const OVER = [8, 24, 42] as const;
const LABEL = 52;
const GAP = 28;
const TOP = 20;
// Between two rows of pages.
const BETWEEN = 8;
// Units a letter takes.
const LETTER = 6.6;

// Units from which on two pages lie side by side.
const TWO = 560;

/** Lays the pages side by side, two at most where there is room, further ones below. A pickup is
 * drawn half as wide as a whole bar. Close together, only the numbers stand in the bars. */
export function lay(pages: PageLines, width: number, close = false) {
  const across = pages.length > 1 && width >= TWO ? 2 : 1;
  // A little room at the edge, so that the last bar line is not cut.
  const column = (width - 3 - GAP * (across - 1)) / across;
  const boxes: Box[] = [];
  const heads: { number: number; x: number; y: number }[] = [];
  const labels: { text: string; x: number; y: number }[] = [];
  let top = 0;
  for (let at = 0; at < pages.length; at += across) {
    const row = pages.slice(at, at + across);
    const ends = row.map((page, which) => {
      const left = which * (column + GAP);
      heads.push({ number: page.number, x: left, y: top + 12 });
      let y = top + TOP;
      for (const line of page.lines) {
        y += over(line.bars, close);
        const laid = layLine(line, page.number, left + LABEL, y, column - LABEL, close);
        labels.push({
          text: t("components.page.geometry.line", { line: line.line }),
          x: left + LABEL - 8,
          y: y + 16,
        });
        boxes.push(...laid);
        y += (laid[0]?.height ?? 0) + BAND;
      }
      return y;
    });
    top = Math.max(...ends) + BETWEEN;
  }
  return { boxes, heads, labels, height: top };
}

type Line = PageLines[number]["lines"][number];

/** What stands over a line takes its room there. */
function over(bars: Bar[], close: boolean) {
  const both = bars.some((bar) => bar.signs.length > 0 && bar.endings.length > 0);
  const any = bars.some(
    (bar) => bar.signs.length > 0 || bar.endings.length > 0 || (bar.closes ?? 0) > 2,
  );
  return Math.max(OVER[both ? 2 : any ? 1 : 0], close ? 0 : 19);
}

function layLine(
  line: Line,
  page: number,
  left: number,
  y: number,
  width: number,
  close: boolean,
): Box[] {
  const weight = (bar: Bar) => (bar.name === "0" ? 0.5 : 1);
  const unit = width / line.bars.reduce((sum, bar) => sum + weight(bar), 0);
  let x = left;
  const found = line.bars.map((bar, at) => {
    const wide = unit * weight(bar);
    const marks = close ? [] : inRows(bar.marks ?? [], wide - (bar.opens ? 15 : 6));
    const lineEnd = at === line.bars.length - 1;
    const box = { bar, x, y, width: wide, height: 0, marks, page, line: line.line, lineEnd };
    x += box.width;
    return box;
  });
  const rows = Math.max(...found.map((box) => box.marks.length));
  const height = close ? NUMBER + 3 : Math.max(LOWEST, NUMBER + MARKS * rows + 4);
  return found.map((box) => ({ ...box, height }));
}

// "right 3 on B4" as R3 B4: the label says it in full.
const start = (mark: string) =>
  mark.replace(/^(r|l)\w+ (\d) on /, (_, hand, finger) => `${hand.toUpperCase()}${finger} `);

/**
 * Marks one below the other where they do not fit side by side; a word wider than its bar goes on
 * below.
 */
function inRows(marks: string[], width: number) {
  const room = Math.max(Math.floor(width / LETTER), 2);
  const rows: string[] = [];
  for (const mark of new Set(marks.map(start))) {
    const last = rows.length > 0 && `${rows[rows.length - 1]} · ${mark}`;
    if (last && last.length <= room) rows[rows.length - 1] = last;
    else rows.push(...pieces(mark, room));
  }
  return rows;
}

function pieces(mark: string, room: number): string[] {
  if (mark.length <= room) return [mark];
  const space = mark.lastIndexOf(" ", room);
  const cut = space > 0 ? space : room;
  return [mark.slice(0, cut), ...pieces(mark.slice(cut).trimStart(), room)];
}

/** What a screen reader says of a bar. */
export function spoken(bar: Bar) {
  const said = [t("components.page.geometry.bar", { bar: bar.name })];
  if (bar.place) said.push(bar.place);
  if (bar.section) said.push(t("components.page.geometry.section", { section: bar.section }));
  said.push(t(`components.page.geometry.relations.${bar.relation}`));
  if (bar.opens) said.push(t("components.page.geometry.repeat_begins"));
  if (bar.closes) said.push(t("components.page.geometry.repeat_ends", { count: bar.closes }));
  for (const sign of bar.signs) said.push(sign.words);
  for (const ending of bar.endings)
    said.push(t("components.page.geometry.ending", { passes: ending.passes.join(", ") }));
  said.push(t("components.page.geometry.played", { count: bar.played }));
  return said.join(", ");
}

/** Whether a bar is the first of its printed line. */
export const startsLine = (box: Box, before: Box | undefined) =>
  !before || before.y !== box.y || before.page !== box.page;
