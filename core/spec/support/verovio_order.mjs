// The outside check on playing orders: reads scores from standard input, a
// JSON list of MusicXML texts, and prints for each the printed measures in the
// order in which the engraving library verovio plays them (its timemap).
import { readFileSync } from "node:fs";
import createVerovioModule from "verovio/wasm";
import { VerovioToolkit } from "verovio/esm";

const toolkit = new VerovioToolkit(await createVerovioModule());
toolkit.setOptions({ breaks: "none", expandAlways: true });

// Measures are numbered from 1 in the scores, so the number is the index. A
// bar played again is a copy whose identifier ends in "-rend" and a number.
const order = (score) => {
  toolkit.loadData(score);
  return toolkit
    .renderToTimemap({ includeMeasures: true })
    .filter((entry) => entry.measureOn)
    .map((entry) => Number(toolkit.getElementAttr(entry.measureOn).n));
};

process.stdout.write(JSON.stringify(JSON.parse(readFileSync(0, "utf8")).map(order)));
