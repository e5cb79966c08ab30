import { Box, Flex, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { Button } from "../../components/Button";
import { t } from "../../words";
import { type Item, rests } from "./useTicks";

type Props = {
  item: Item;
  cautions: Schemas["Sheet"]["cautions"];
  onHard?: () => void;
  onHurts?: () => void;
};

/** When a step does not go: it was hard, or it hurts, which stops it until the next lesson and says
 * what to take care of. */
export function Hurts({ item, cautions, onHard, onHurts }: Props) {
  if (rests(item))
    return (
      <Box
        role="status"
        mt="8px"
        borderLeft="4px solid"
        borderColor="brick"
        pl="10px"
        fontSize="lg"
      >
        <Text fontWeight={700}>
          {t(item.hurts ? "sheet.hurts.stop_here" : "sheet.hurts.rests")}
        </Text>
        <Text>{cautions.find((one) => one.topic === "pain")?.full}</Text>
        <Text color="soft">{t("sheet.hurts.set_aside")}</Text>
      </Box>
    );
  if (!onHard || !onHurts) return null;
  return (
    <Flex gap="10px" mt="8px">
      <Button
        flex="1"
        minH="44px"
        onClick={onHard}
        aria-pressed={item.struggle}
        disabled={item.struggle}
      >
        {item.struggle ? t("sheet.step.marked_as_hard") : t("sheet.step.that_was_hard")}
      </Button>
      <Button flex="1" minH="44px" onClick={onHurts}>
        {t("sheet.hurts.it_hurts")}
      </Button>
    </Flex>
  );
}
