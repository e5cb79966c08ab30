import { readFileSync } from "node:fs";
import { expect, test } from "vitest";
import { GUIDED } from "../../components/guided";
import { found, partsOf } from "./parts";

const guide = readFileSync("../docs/guide.md", "utf8");
const parts = partsOf(guide);

test("every heading of the guide is a part with a name of its own, and nothing of it is lost", () => {
  expect(parts.map((part) => part.title)).toEqual(
    [...guide.matchAll(/^##+ (.*)$/gm)].map(([, title]) => title),
  );
  expect(new Set(parts.map((part) => part.slug)).size).toBe(parts.length);
  expect(parts.every((part) => part.html.length > 40)).toBe(true);
});

test("each screen leads to a part that is there", () => {
  for (const [, slug] of GUIDED) expect(parts.map((part) => part.slug)).toContain(slug);
});

test("words are found in any order and in any letters, in titles too", () => {
  expect(found(parts, "HURTS it").map((part) => part.slug)).toContain("the-week-sheet");
  expect(found(parts, "cautions").map((part) => part.title)).toContain("Cautions");
  expect(found(parts, "zeppelin")).toEqual([]);
  expect(found(parts, " ").length).toBe(parts.length);
});

test("links between documents are words alone", () => {
  expect(parts.map((part) => part.html).join()).not.toMatch(/href="[^"#h]/);
});
