import { readFileSync } from "node:fs";
import { gzipSync } from "node:zlib";
import { expect, test } from "vitest";
import { filesOf, SHEET } from "./bundles";

const scripts = (...entries: string[]) =>
  [...filesOf("index.html", ...entries)].filter((file) => file.endsWith(".js"));
const weight = (files: string[]) =>
  files.reduce((sum, file) => sum + gzipSync(readFileSync(`dist/${file}`)).length, 0) / 1000;

// Kilobytes of scripts, gzipped, until the page stands.
test("a family's phone loads at most 180 kB for the sheet, and nothing of the teacher's", () => {
  const sheet = scripts("src/pages/sheet/SheetPage.tsx");
  expect(weight(sheet)).toBeLessThan(180);
  expect(sheet.join()).not.toMatch(/Teacher|Piece|Lesson|verovio/);
});

test("the first teacher's page loads at most 230 kB", () => {
  expect(
    weight(scripts("src/pages/TeacherPages.tsx", "src/pages/today/TodayPage.tsx")),
  ).toBeLessThan(230);
});

test("the service worker keeps the sheet's files at hand, and no other page's", () => {
  const kept = [...readFileSync("dist/sw.js", "utf8").matchAll(/url:\s*"([^"]+)"/g)].map(
    ([, url]) => url,
  );
  expect(kept.sort()).toEqual(
    [...filesOf("index.html", ...SHEET)].filter((file) => kept.includes(file)).sort(),
  );
  for (const file of scripts(...SHEET)) expect(kept).toContain(file);
});
