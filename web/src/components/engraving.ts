type Toolkit = import("verovio/esm").VerovioToolkit;

let toolkit: Promise<Toolkit> | null = null;
let loaded = "";

async function open() {
  const [{ default: createModule }, { VerovioToolkit, enableLog, LOG_ERROR }] = await Promise.all([
    import("verovio/wasm"),
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
  toolkit ??= open();
  const engraver = await toolkit;
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
