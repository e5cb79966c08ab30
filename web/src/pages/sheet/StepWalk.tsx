import { Flex, Text } from "@chakra-ui/react";
import { Button } from "../../components/Button";
import type { StepSound } from "./useStepSound";

/** Where the finger is: its bar, why it is there, and what comes where the music
 * leaves the printed order. */
export function StepWalk({ sound }: { sound: StepSound }) {
  const { visit } = sound;
  if (!visit) return null;
  return (
    <Flex gap="8px" mt="8px" align="center">
      <Button minH="44px" px="14px" aria-label="One bar back" onClick={() => sound.step(-1)}>
        ◂
      </Button>
      <Text role="status" flex="1" fontSize="md">
        <b>{visit.place}</b>
        {visit.reached && `, ${visit.reached}`}
        {visit.ahead && (
          <Text as="span" display="block" color="brass" fontWeight={650}>
            then {visit.ahead}
          </Text>
        )}
      </Text>
      <Button minH="44px" px="14px" aria-label="One bar on" onClick={() => sound.step(1)}>
        ▸
      </Button>
    </Flex>
  );
}
