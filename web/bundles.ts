import { readFileSync } from "node:fs";

type Chunk = { file: string; imports?: string[]; css?: string[]; assets?: string[] };

/** The built files a page is made of, from the folder `dist`: its own chunk, what that
 * imports, styles and fonts. Names are those of the sources, as in Vite's manifest. */
export function filesOf(...entries: string[]): Set<string> {
  const chunks: Record<string, Chunk> = JSON.parse(
    readFileSync("dist/.vite/manifest.json", "utf8"),
  );
  const seen = new Set<string>();
  const visit = (name: string) => {
    const chunk = chunks[name];
    if (!chunk) throw new Error(`The build has no ${name}.`);
    if (seen.has(chunk.file)) return;
    for (const file of [chunk.file, ...(chunk.css ?? []), ...(chunk.assets ?? [])]) seen.add(file);
    chunk.imports?.forEach(visit);
  };
  entries.forEach(visit);
  return seen;
}

/** The sheet, and what it loads a little later: all that a phone keeps at hand. */
export const SHEET = [
  "src/pages/sheet/SheetPage.tsx",
  "src/pages/sheet/SittingCard.tsx",
  "src/pages/sheet/Child.tsx",
];
