import { Flex } from "@chakra-ui/react";
import { Button } from "../../components/Button";
import { Tempo } from "../../components/Tempo";
import { t } from "../../words";
import type { StepSound, What } from "./useStepSound";
import type { Item } from "./useTicks";

type SoundsProps = { item: Item; sound: StepSound; notes?: boolean; onNotes?: () => void };

/** A metronome that beats the step's tempo, counting in and with the bar's
 * accent; the finger that walks along; and, where there is a score, its sound and
 * its notes. */
export function Sounds({ item, sound, notes, onNotes }: SoundsProps) {
  const listens: [What, string][] =
    item.hands === "both"
      ? [
          ["both", t("sheet.sounds.listen")],
          ["right", t("sheet.sounds.right")],
          ["left", t("sheet.sounds.left")],
        ]
      : [[item.hands, t("sheet.sounds.listen")]];
  return (
    <Flex gap="8px" mt="8px" wrap="wrap">
      <Metronome item={item} sound={sound} />
      {item.score &&
        listens.map(([what, words]) => (
          <Button
            kind="toggle"
            key={what}
            minH="44px"
            flex="1 1 56px"
            px="6px"
            aria-pressed={sound.on === what}
            onClick={() => sound.start(what)}
          >
            {sound.on === what ? `■ ${t("sheet.sounds.stop")}` : words}
          </Button>
        ))}
      <Button
        kind="toggle"
        minH="44px"
        flex="1 1 72px"
        px="6px"
        aria-pressed={sound.visit !== null}
        onClick={() => (sound.visit ? sound.end() : sound.step(1))}
      >
        {t("sheet.sounds.walk_it")}
      </Button>
      {item.score && onNotes && (
        <Button
          minH="44px"
          flex="1 1 64px"
          px="6px"
          aria-pressed={notes}
          kind="toggle"
          onClick={onNotes}
        >
          {t("sheet.sounds.notes")}
        </Button>
      )}
    </Flex>
  );
}

/** Beats the tempo of a step, and stops. */
export function Metronome({ item, sound }: { item: Item; sound: StepSound }) {
  if (!item.tempo) return null;
  const on = sound.on === "click";
  return (
    <Button
      kind="toggle"
      minH="44px"
      flex="1 1 80px"
      px="6px"
      aria-pressed={on}
      onClick={() => sound.start("click")}
    >
      {on ? (
        `■ ${t("sheet.sounds.stop")}`
      ) : (
        <>
          ▶ <Tempo beat={item.beat} tempo={item.tempo} />
        </>
      )}
    </Button>
  );
}
