// The outside check on playing orders: reads scores from standard input, a
// JSON list of MusicXML texts, and prints for each the printed measures in the
// order in which the engraving library verovio plays them (its timemap); null
// for a score on which the library itself fails.
import { readFileSync } from "node:fs";
import createVerovioModule from "verovio/wasm";
import { VerovioToolkit } from "verovio/esm";

const open = async () => {
  const toolkit = new VerovioToolkit(await createVerovioModule());
  toolkit.setOptions({ breaks: "none", expandAlways: true });
  return toolkit;
};
let toolkit = await open();

// Measures are numbered from 1 in the scores, so the number is the index. A
// bar played again is a copy whose identifier ends in "-rend" and a number.
const order = (score) => {
  toolkit.loadData(score);
  return toolkit
    .renderToTimemap({ includeMeasures: true })
    .filter((entry) => entry.measureOn)
    .map((entry) => Number(toolkit.getElementAttr(entry.measureOn).n));
};

const orders = [];
for (const score of JSON.parse(readFileSync(0, "utf8"))) {
  try {
    orders.push(order(score));
  } catch {
    orders.push(null);
    toolkit = await open();
  }
}
process.stdout.write(JSON.stringify(orders));
