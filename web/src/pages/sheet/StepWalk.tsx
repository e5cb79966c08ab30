import { Flex, Text } from "@chakra-ui/react";
import { Button } from "../../components/Button";
import { t } from "../../words";
import type { StepSound } from "./useStepSound";

/** Where the finger is: its bar, why it is there, and what comes where the music
 * leaves the printed order. */
export function StepWalk({ sound }: { sound: StepSound }) {
  const { visit } = sound;
  if (!visit) return null;
  return (
    <Flex gap="8px" mt="8px" align="center">
      <Button
        minH="44px"
        px="14px"
        aria-label={t("sheet.step_walk.one_bar_back")}
        onClick={() => sound.step(-1)}
      >
        ◂
      </Button>
      <Text role="status" flex="1" fontSize="md">
        <b>{visit.place}</b>
        {visit.reached && `, ${visit.reached}`}
        {visit.ahead && (
          <Text as="span" display="block" color="brass" fontWeight={650}>
            {t("sheet.step_walk.then", { ahead: visit.ahead })}
          </Text>
        )}
      </Text>
      <Button
        minH="44px"
        px="14px"
        aria-label={t("sheet.step_walk.one_bar_on")}
        onClick={() => sound.step(1)}
      >
        ▸
      </Button>
    </Flex>
  );
}
