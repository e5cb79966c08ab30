import { useEffect, useReducer, useRef, useState } from "react";
import { Trouble } from "../../api/client";
import { loadStepSound } from "../../api/queries";
import { Player } from "../../components/player";
import { speak } from "./speaking";
import { after, turnsOf } from "./turns";
import type { Item } from "./useTicks";

/** A sitting that runs by itself: it names what comes, counts in, lets it be heard, leaves the same
 * time to play it, ticks it, and goes on. */
export function useSitting(token: string, items: Item[], onPlayed: (item: Item) => void) {
  const [now, tell] = useReducer(after, undefined, () => ({
    turns: turnsOf(items),
    at: 0,
    part: "name" as const,
    paused: false,
  }));
  const [count, setCount] = useState<number | null>(null);
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const played = useRef(onPlayed);
  played.current = onPlayed;
  const turn = now.turns[now.at];
  const { part, paused, at } = now;

  // biome-ignore lint/correctness/useExhaustiveDependencies: `at` begins the same part anew
  useEffect(() => {
    if (!turn || paused) return;
    let over = false;
    let stop = () => {};
    const end = () => {
      if (over) return;
      over = true;
      stop();
      if (part === "play") played.current(turn.item);
      tell({ kind: "end" });
    };
    const begin = async () => {
      if (part === "name") {
        stop = speak(nameOf(turn.item), end);
        return;
      }
      const { assignment_id, step_id, hands, score } = turn.item;
      const found = await loadStepSound(token, assignment_id, step_id, turn.tempo);
      if (over) return;
      const sounds = part === "listen" && score;
      const player = new Player(found, {
        from: 0,
        hands: sounds ? hands : "none",
        click: !sounds,
        onBar: () => {},
        onCount: setCount,
        onEnd: end,
      });
      stop = () => player.stop();
    };
    begin().catch((error) => {
      if (over) return;
      if (error instanceof Trouble) setTrouble(error);
      tell({ kind: "pause" });
    });
    return () => {
      over = true;
      stop();
      setCount(null);
    };
  }, [turn, part, paused, at, token]);

  return { now, turn, count, trouble, tell };
}

/** As it is said: the piece, the step, and the hand. */
export const nameOf = (item: Item) => `${item.piece}. ${item.title}. ${item.how}. ${item.place}.`;
