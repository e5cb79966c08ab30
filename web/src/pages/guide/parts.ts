import { Marked } from "marked";

export type Part = { slug: string; title: string; deep: boolean; html: string; text: string };

// Links between the documents lead nowhere here, so that their words stand alone.
const marked = new Marked({
  renderer: {
    link({ href, text }) {
      return /^(https?:|#)/.test(href) ? `<a href="${href}">${text}</a>` : text;
    },
    image: () => "",
    // Wider than a phone, they are scrolled by keys too.
    code: ({ text }) => `<pre tabindex="0"><code>${escaped(text)}</code></pre>`,
  },
});

const escaped = (text: string) => text.replaceAll("&", "&amp;").replaceAll("<", "&lt;");

/** The same as GitHub makes of a heading, as the addresses of parts are known by. */
export const slugOf = (title: string) =>
  title
    .toLowerCase()
    .replace(/[^\p{L}\p{N} -]/gu, "")
    .trim()
    .replaceAll(" ", "-");

/** The guide, a part for each heading. */
export function partsOf(guide: string): Part[] {
  return guide
    .split(/^(?=##+ )/m)
    .filter((part) => part.startsWith("##"))
    .map((part) => {
      const [head = "", ...lines] = part.split("\n");
      const title = head.replace(/^#+ /, "");
      const text = lines.join("\n").trim();
      return {
        slug: slugOf(title),
        title,
        deep: head.startsWith("###"),
        html: marked.parse(text, { async: false }),
        text,
      };
    });
}

/** Parts in which all words stand, in any order. */
export function found(parts: Part[], words: string): Part[] {
  const wanted = words.toLowerCase().split(/\s+/).filter(Boolean);
  return parts.filter((part) => {
    const all = `${part.title} ${part.text}`.toLowerCase();
    return wanted.every((word) => all.includes(word));
  });
}
