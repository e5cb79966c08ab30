import { useEffect, useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { type Sounding, useSound, type Whose } from "../../api/queries";
import { type Hands, Player } from "../../components/player";

/** A finger that walks through the playing order: by key, or with a click and
 * the notes at a tempo. */
export function useWalk(id: number, whose: Whose, piece: Schemas["Page"]) {
  const [at, setAt] = useState<number | null>(null);
  const [playing, setPlaying] = useState(false);
  const [tempo, setTempo] = useState(piece.figures.target_tempo);
  const [hands, setHands] = useState<Hands>("both");
  const [click, setClick] = useState(true);
  const player = useRef<Player | null>(null);
  const sound = useSound(id, whose);
  const last = piece.ribbon.length - 1;

  const stop = () => {
    player.current?.stop();
    player.current = null;
    setPlaying(false);
  };
  const begin = (heard: Sounding) => {
    player.current?.stop();
    player.current = new Player(heard, { from: at ?? 0, hands, click, onBar: setAt, onEnd: stop });
    setPlaying(true);
  };
  const play = () => sound.mutate(tempo, { onSuccess: begin });
  const step = (by: 1 | -1) => {
    stop();
    setAt((now) => (now === null ? 0 : Math.min(Math.max(now + by, 0), last)));
  };
  const go = (to: number) => {
    stop();
    setAt(to);
  };
  const end = () => {
    stop();
    setAt(null);
  };

  useEffect(() => () => player.current?.stop(), []);

  const now = at === null ? null : Math.min(at, last);
  return {
    at: now,
    bar: now === null ? null : (piece.ribbon[now]?.bar ?? null),
    playing,
    tempo,
    setTempo,
    hands,
    setHands,
    click,
    setClick,
    play,
    stop,
    step,
    go,
    end,
    trouble: sound.error,
  };
}

export type Walking = ReturnType<typeof useWalk>;
