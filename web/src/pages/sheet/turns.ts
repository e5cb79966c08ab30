import { type Item, isDone, rests } from "./useTicks";

/** What happens: the step is named, its sound is heard, the hands play. */
type Part = "name" | "listen" | "play";
/** `tempo` is that of the round, where the step climbs. */
type Turn = { item: Item; round: number; tempo?: number };
export type Sitting = {
  turns: Turn[];
  at: number;
  part: Part;
  paused: boolean;
};

/** All rounds of a day that are still to be played, in the order of the day. */
export const turnsOf = (items: Item[]): Turn[] =>
  items
    .filter((item) => !isDone(item) && !rests(item) && item.kind !== "more")
    .flatMap((item) =>
      Array.from({ length: item.repetitions - item.done }, (_, at) => ({
        item,
        round: item.done + at + 1,
        tempo: item.tempos[item.done + at],
      })),
    );

type Event = { kind: "end" } | { kind: "pause" } | { kind: "skip" };

/**
 * What comes after what: a step is named once; each round is heard, where it sounds, and played.
 */
export function after(now: Sitting, event: Event): Sitting {
  const turn = now.turns[now.at];
  if (!turn) return now;
  if (event.kind === "pause") return { ...now, paused: !now.paused };
  if (event.kind === "skip") {
    const next = now.turns.findIndex((one, at) => at > now.at && one.item !== turn.item);
    return { ...now, at: next < 0 ? now.turns.length : next, part: "name", paused: false };
  }
  if (now.part === "name") return { ...now, part: turn.item.score ? "listen" : "play" };
  if (now.part === "listen") return { ...now, part: "play" };
  const next = now.turns[now.at + 1];
  const part = next?.item === turn.item ? (turn.item.score ? "listen" : "play") : "name";
  return { ...now, at: now.at + 1, part };
}
