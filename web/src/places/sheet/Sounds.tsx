import { Flex } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { loadStepSound } from "../../api/queries";
import { Button } from "../../parts/Button";
import { Player } from "../../parts/player";

type Item = Schemas["SheetItem"];
type What = "click" | "right" | "left" | "both";

/** A metronome that beats the step's tempo, counting in and with the bar's accent;
 * and the bars themselves, where there is a score. */
export function Sounds({ token, item }: { token: string; item: Item }) {
  const [on, setOn] = useState<What | null>(null);
  const [silent, setSilent] = useState(false);
  const player = useRef<Player | null>(null);
  const stop = () => {
    player.current?.stop();
    player.current = null;
    setOn(null);
  };
  useEffect(() => () => player.current?.stop(), []);

  const start = async (what: What) => {
    const again = on === what;
    stop();
    if (again) return;
    setOn(what);
    const heard = await loadStepSound(token, item.assignment_id, item.step_id).catch(() => null);
    if (!heard) return setOn(null);
    if (what !== "click" && heard.notes.length === 0) {
      setSilent(true);
      return setOn(null);
    }
    const play = () => {
      player.current?.stop();
      player.current = new Player(heard, {
        from: 0,
        hands: what === "click" ? "none" : what,
        click: what === "click",
        onBar: () => {},
        // The metronome goes on, counting in anew; listening ends.
        onEnd: what === "click" ? play : stop,
      });
    };
    play();
  };
  const listens: [What, string][] =
    item.hands === "both"
      ? [
          ["both", "Listen"],
          ["right", "right"],
          ["left", "left"],
        ]
      : [[item.hands, "Listen"]];
  return (
    <Flex gap="8px" mt="8px" wrap="wrap">
      {item.tempo && (
        <Button minH="44px" flex="1 1 80px" px="6px" aria-pressed={on === "click"} onClick={() => start("click")}>
          {on === "click" ? "■ stop" : `▶ ${item.tempo}`}
        </Button>
      )}
      {!silent &&
        listens.map(([what, words]) => (
          <Button
            key={what}
            minH="44px"
            flex="1 1 56px"
            px="6px"
            aria-pressed={on === what}
            onClick={() => start(what)}
          >
            {on === what ? "■ stop" : words}
          </Button>
        ))}
    </Flex>
  );
}
