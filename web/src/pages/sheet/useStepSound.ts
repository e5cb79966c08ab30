import { useEffect, useRef, useState } from "react";
import { Trouble } from "../../api/client";
import { loadStepSound, type Sounding } from "../../api/queries";
import { Player } from "../../components/player";
import type { Item } from "./useTicks";

/** What sounds: the click alone, or the notes of a hand. */
export type What = "click" | "right" | "left" | "both";

/** A step as it sounds and where the finger is in it: beaten, listened to, or
 * walked through bar by bar. */
export function useStepSound(token: string, item: Item) {
  const [on, setOn] = useState<What | null>(null);
  const [heard, setHeard] = useState<Sounding | null>(null);
  const [at, setAt] = useState<number | null>(null);
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const player = useRef<Player | null>(null);
  // What was asked for last: a sound that is loaded only after *stop* stays silent.
  const asked = useRef(0);
  useEffect(() => () => player.current?.stop(), []);

  const load = async () => {
    if (heard) return heard;
    try {
      const found = await loadStepSound(token, item.assignment_id, item.step_id);
      setHeard(found);
      setTrouble(null);
      return found;
    } catch (error) {
      if (error instanceof Trouble) setTrouble(error);
      return null;
    }
  };
  const stop = () => {
    asked.current += 1;
    player.current?.stop();
    player.current = null;
    setOn(null);
  };
  const start = async (what: What) => {
    const again = on === what;
    stop();
    if (again) return;
    setOn(what);
    const mine = asked.current;
    const found = await load();
    if (asked.current !== mine) return;
    if (!found) return setOn(null);
    const play = () => {
      player.current?.stop();
      player.current = new Player(found, {
        from: 0,
        hands: what === "click" ? "none" : what,
        click: what === "click",
        onBar: setAt,
        // The metronome goes on, counting in anew; listening ends.
        onEnd: what === "click" ? play : stop,
      });
    };
    play();
  };
  /** The finger goes a bar on or back; the first time it lies on the first bar. */
  const step = async (by: 1 | -1) => {
    stop();
    const last = ((await load())?.walk?.length ?? 1) - 1;
    setAt((now) => (now === null ? 0 : Math.min(Math.max(now + by, 0), last)));
  };
  const end = () => {
    stop();
    setAt(null);
  };
  const visit = at === null ? null : (heard?.walk?.[at] ?? null);
  return { on, start, step, end, visit, trouble };
}

export type StepSound = ReturnType<typeof useStepSound>;
