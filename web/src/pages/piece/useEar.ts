import { useEffect, useRef, useState } from "react";
import { useSound, type Whose } from "../../api/queries";
import { Player } from "../../components/player";

// How many bars are sounded before a sign: enough to know the place by. Own choice.
const BEFORE = 4;

/** The bars before a question, sounded: as they come, and again when asked. */
export function useEar(id: number, whose: Whose, tempo: number, at: number | undefined) {
  const [on, setOn] = useState(false);
  const player = useRef<Player | null>(null);
  const sound = useSound(id, whose);

  const stop = () => {
    player.current?.stop();
    player.current = null;
  };
  const play = () => {
    if (at === undefined) return;
    sound.mutate(tempo, {
      onSuccess: (heard) => {
        stop();
        player.current = new Player(heard, {
          from: Math.max(at - BEFORE + 1, 0),
          to: at,
          hands: "both",
          // Without notes the counts are what there is to hear.
          click: heard.notes.length === 0,
          onBar: () => {},
          onEnd: stop,
        });
      },
    });
  };

  // biome-ignore lint/correctness/useExhaustiveDependencies: each question sounds once by itself
  useEffect(() => {
    if (on) play();
    return stop;
  }, [on, at]);

  return { on, toggle: () => setOn(!on), play, trouble: sound.error };
}

export type Ear = ReturnType<typeof useEar>;
