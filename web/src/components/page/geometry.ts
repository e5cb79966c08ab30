import type { Schemas } from "../../api/client";
import { t } from "../../words";

export type Bar = Schemas["Bar"];
export type PageLines = Schemas["Page"]["pages"];

export type SectionSpans = Pick<Schemas["Section"], "label" | "words" | "spans" | "statement">;

/** Where one bar is drawn, in units of the drawing. */
export type Box = { bar: Bar; x: number; y: number; width: number; page: number; line: number; lineEnd: boolean };

export const BAR = 40;
const STEP = 77;
const LABEL = 52;
const GAP = 28;
const TOP = 36;

// Units from which on two pages lie side by side.
const TWO = 560;

/** Lays the pages side by side, two at most where there is room, further ones below. A pickup is
 * drawn half as wide as a whole bar. */
export function lay(pages: PageLines, width: number) {
  const across = pages.length > 1 && width >= TWO ? 2 : 1;
  // A little room at the edge, so that the last bar line is not cut.
  const column = (width - 3 - GAP * (across - 1)) / across;
  const boxes: Box[] = [];
  const heads: { number: number; x: number; y: number }[] = [];
  const labels: { text: string; x: number; y: number }[] = [];
  let top = 0;
  for (let at = 0; at < pages.length; at += across) {
    const row = pages.slice(at, at + across);
    row.forEach((page, which) => {
      const left = which * (column + GAP);
      heads.push({ number: page.number, x: left, y: top + 12 });
      page.lines.forEach((line, down) => {
        const y = top + TOP + down * STEP;
        labels.push({ text: t("components.page.geometry.line", { line: line.line }), x: left + LABEL - 8, y: y + 25 });
        boxes.push(...layLine(line, page.number, left + LABEL, y, column - LABEL));
      });
    });
    top += TOP + STEP * Math.max(...row.map((page) => page.lines.length)) - 8;
  }
  return { boxes, heads, labels, height: top };
}

function layLine(
  line: PageLines[number]["lines"][number],
  page: number,
  left: number,
  y: number,
  width: number,
): Box[] {
  const weight = (bar: Bar) => (bar.name === "0" ? 0.5 : 1);
  const unit = width / line.bars.reduce((sum, bar) => sum + weight(bar), 0);
  let x = left;
  return line.bars.map((bar, at) => {
    const box = { bar, x, y, width: unit * weight(bar), page, line: line.line, lineEnd: at === line.bars.length - 1 };
    x += box.width;
    return box;
  });
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
