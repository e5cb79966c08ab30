type Toolkit = import("verovio/esm").VerovioToolkit;

let toolkit: Promise<Toolkit> | null = null;
let loaded = "";

/** How much of the engraver is here, in bytes, and of how many. */
export type Progress = { here: number; of: number };
let progress: Progress = { here: 0, of: ENGRAVER_BYTES };
const watching = new Set<() => void>();

function come(bytes: number) {
  progress = { ...progress, here: progress.here + bytes };
  for (const told of watching) told();
}

/** For React: what it watches, and what is to be seen. */
export const engraverProgress = {
  watch: (told: () => void) => {
    watching.add(told);
    return () => watching.delete(told);
  },
  now: () => progress,
};

/** Loads the engraver, so that it is here before notes are asked for. */
export function prepareEngraver() {
  toolkit ??= open().catch((error) => {
    // The next time is another try.
    toolkit = null;
    progress = { ...progress, here: 0 };
    throw error;
  });
  return toolkit;
}

async function open() {
  const { default: url } = await import("verovio/wasm?url");
  // Counted as it comes; the import after it finds it in the browser's own store.
  const reader = (await fetch(url)).body?.getReader();
  for (let part = await reader?.read(); part && !part.done; part = await reader?.read())
    come(part.value.length);
  const [{ default: createModule }, { VerovioToolkit, enableLog, LOG_ERROR }] = await Promise.all([
    import(/* @vite-ignore */ url) as Promise<typeof import("verovio/wasm")>,
    import("verovio/esm"),
  ]);
  const module = await createModule();
  // That bars are close together on a phone is no trouble worth telling.
  enableLog(LOG_ERROR, module);
  return new VerovioToolkit(module);
}

// Units of the engraver to a pixel at its scale.
const UNITS = 2.74;
const SCALE = 36;

/** Engraves some bars of a score.
 * @param score MusicXML
 * @param width pixels on the screen
 * @param from index of the first bar, from 1
 * @param to index of the last
 * @returns SVG */
export async function engrave(score: string, from: number, to: number, width: number) {
  const engraver = await prepareEngraver();
  engraver.setOptions({
    pageWidth: Math.round(width * UNITS),
    pageHeight: 60_000,
    scale: SCALE,
    adjustPageHeight: true,
    breaks: "auto",
    header: "none",
    footer: "none",
    pageMarginTop: 20,
    pageMarginBottom: 20,
    pageMarginLeft: 20,
    pageMarginRight: 20,
  });
  engraver.select({ measureRange: `${from}-${to}` });
  if (loaded !== score) {
    if (!engraver.loadData(score)) throw new Error("unreadable score");
    loaded = score;
  } else engraver.redoLayout();
  // The page's own style sheet replaces the one inside, which the content
  // security policy keeps out.
  return engraver.renderToSVG(1).replace(/<style[^>]*>[\s\S]*?<\/style>/g, "");
}
