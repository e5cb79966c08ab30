import { Flex, Input, NativeSelect, Text } from "@chakra-ui/react";
import { ChevronLeft, ChevronRight, Play, Square } from "lucide-react";
import type { Schemas } from "../../api/client";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { ordinal } from "../../components/page/geometry";
import type { Hands } from "../../components/player";
import type { Walking } from "./useWalk";

/** Walk it: bar by bar, or played with a click; every jump is said before it comes. */
export function Walk({ walk, piece }: { walk: Walking; piece: Schemas["Page"] }) {
  const visit = walk.at === null ? null : piece.ribbon[walk.at];
  return (
    <>
      <Flex align="center" gap="6px" wrap="wrap" borderTop="1px solid" borderColor="line" pt="6px">
        <Text fontWeight={650} mr="2px">
          Walk it
        </Text>
        <Button size="sm" px="7px" aria-label="One bar back" title="One bar back (,)" onClick={() => walk.step(-1)}>
          <ChevronLeft size={16} />
        </Button>
        <Button size="sm" px="7px" aria-label="One bar on" title="One bar on (.)" onClick={() => walk.step(1)}>
          <ChevronRight size={16} />
        </Button>
        {walk.playing ? (
          <Button size="sm" title="Space" onClick={walk.stop}>
            <Square size={13} /> Stop
          </Button>
        ) : (
          <Button size="sm" title="Space" onClick={walk.play}>
            <Play size={13} /> Play
          </Button>
        )}
        <Flex as="label" align="center" gap="4px" fontSize="sm" color="soft">
          at
          <Input
            type="number"
            aria-label="Tempo, beats per minute"
            min={20}
            max={400}
            w="64px"
            h="30px"
            borderColor="line"
            value={walk.tempo}
            onChange={(event) => walk.setTempo(Number(event.target.value))}
          />
        </Flex>
        {piece.notes && (
          <NativeSelect.Root w="128px" size="sm">
            <NativeSelect.Field
              aria-label="Hands that sound"
              borderColor="line"
              value={walk.hands}
              onChange={(event) => walk.setHands(event.target.value as Hands)}
            >
              <option value="both">both hands</option>
              <option value="right">right hand</option>
              <option value="left">left hand</option>
              <option value="none">no notes</option>
            </NativeSelect.Field>
            <NativeSelect.Indicator />
          </NativeSelect.Root>
        )}
        <Button size="sm" aria-pressed={walk.click} onClick={() => walk.setClick(!walk.click)}>
          {walk.click ? "Click on" : "Click off"}
        </Button>
        {visit && (
          <Button kind="quiet" size="sm" onClick={walk.end}>
            End the walk
          </Button>
        )}
      </Flex>
      <Text role="status" minH="1.4em" mt="3px">
        {visit ? (
          <>
            <b>
              Bar {visit.name}
              {visit.time > 1 && `, ${ordinal(visit.time)} time`}
            </b>
            {[visit.reached, ...visit.notes].filter(Boolean).map((one) => ` · ${one}`)}
            {visit.ahead && (
              <Text as="b" color="brass">
                {" "}
                → then {visit.ahead}
              </Text>
            )}
          </>
        ) : (
          <Text as="span" fontSize="sm" color="soft">
            <kbd>.</kbd> one bar on, <kbd>,</kbd> one back, <kbd>space</kbd> plays. Jumps are said before they come.
          </Text>
        )}
      </Text>
      <Notice trouble={walk.trouble} />
    </>
  );
}
