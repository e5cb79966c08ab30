import { expect, test } from "vitest";
import { type Bar, lay, type PageLines, spoken, startsLine } from "./geometry";

const bar = (index: number, more: Partial<Bar> = {}): Bar =>
  ({
    index,
    name: String(index),
    relation: "new",
    signs: [],
    endings: [],
    played: 1,
    ...more,
  }) as Bar;
const page = (number: number, ...lines: Bar[][]) =>
  ({
    number,
    lines: lines.map((bars, at) => ({ line: at + 1, bars })),
  }) as unknown as PageLines[number];
const bars = (from: number, to: number) =>
  Array.from({ length: to - from + 1 }, (_, at) => bar(from + at));

test("every bar is drawn once, in printed order, and no two overlap", () => {
  const { boxes } = lay(
    [page(1, bars(1, 4), bars(5, 7)), page(2, bars(8, 12)), page(3, bars(13, 13))],
    1000,
  );
  expect(boxes.map((box) => box.bar.index)).toEqual(Array.from({ length: 13 }, (_, at) => at + 1));
  for (const [at, one] of boxes.entries())
    for (const other of boxes.slice(at + 1))
      if (one.y === other.y)
        expect(one.x + one.width <= other.x + 0.001 || other.x + other.width <= one.x + 0.001).toBe(
          true,
        );
});

test.each([280, 390, 1280, 2560])("nothing lies outside a drawing %d wide", (width) => {
  const { boxes, height } = lay([page(1, bars(1, 9)), page(2, bars(10, 12))], width);
  for (const box of boxes) {
    expect(box.x).toBeGreaterThanOrEqual(0);
    expect(box.x + box.width).toBeLessThanOrEqual(width);
    expect(box.y).toBeLessThan(height);
  }
});

test("the bars of a line are equally wide and fill it; a pickup is half a bar", () => {
  const { boxes } = lay([page(1, [bar(1, { name: "0" }), ...bars(2, 4)])], 800);
  const [pickup, ...whole] = boxes.map((box) => box.width);
  expect(new Set(whole.map((width) => width.toFixed(6))).size).toBe(1);
  expect(pickup).toBeCloseTo((whole[0] ?? 0) / 2);
});

test("a line's last bar closes it, and the next line begins anew", () => {
  const { boxes } = lay([page(1, bars(1, 3), bars(4, 5))], 600);
  expect(boxes.filter((box) => box.lineEnd).map((box) => box.bar.index)).toEqual([3, 5]);
  expect(
    boxes.filter((box, at) => startsLine(box, boxes[at - 1])).map((box) => box.bar.index),
  ).toEqual([1, 4]);
});

test("an empty page takes no bars and breaks nothing", () => {
  expect(lay([], 600).boxes).toEqual([]);
  expect(lay([page(1, [])], 600).boxes).toEqual([]);
});

test("a screen reader hears the bar, its section, its signs and how often it is played", () => {
  const said = spoken(
    bar(9, {
      section: "B",
      relation: "same",
      closes: 3,
      played: 3,
      signs: [{ words: "Fine", statement: "fine: 9" }] as Bar["signs"],
      endings: [{ passes: [1, 2] }] as unknown as Bar["endings"],
    }),
  );
  expect(said).toBe(
    "bar 9, section B, known, repeat ends, played 3 times, Fine, ending 1, 2, played 3 times",
  );
  expect(spoken(bar(1))).toMatch(/played once$/);
});
