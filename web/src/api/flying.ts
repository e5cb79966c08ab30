// What was asked for and is not answered yet.

type Flying = { since: number | null };
let flying: Flying = { since: null };
const asked = new Set<number>();
const watching = new Set<() => void>();

function look() {
  const since = asked.size > 0 ? Math.min(...asked) : null;
  if (since === flying.since) return;
  flying = { since };
  for (const told of watching) told();
}

/** Counts a request until it is answered. */
export async function counted<T>(answer: Promise<T>): Promise<T> {
  // Two of the same moment stay two.
  let mark = performance.now();
  while (asked.has(mark)) mark += 0.001;
  asked.add(mark);
  look();
  try {
    return await answer;
  } finally {
    asked.delete(mark);
    look();
  }
}

/** For React: since when the oldest of them flies. */
export const inTheAir = {
  watch: (told: () => void) => {
    watching.add(told);
    return () => watching.delete(told);
  },
  now: () => flying,
};
