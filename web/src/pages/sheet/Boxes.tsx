import { Flex } from "@chakra-ui/react";
import { Button } from "../../components/Button";
import { t } from "../../words";
import type { Item } from "./useTicks";

type Props = {
  item: Item;
  /** None where nothing can be counted yet. */
  onCount?: () => void;
  /** Pixels. */
  tall?: number;
};

/** A box for each repetition, tapped as it was played. */
export function Boxes({ item, onCount, tall = 52 }: Props) {
  const boxes = Array.from({ length: Math.max(item.repetitions, item.done) }, (_, at) => at + 1);
  return (
    <>
      <Flex gap="6px" mt="10px" wrap="wrap">
        {boxes.map((number) => (
          <Button
            key={number}
            aria-label={
              number <= item.done
                ? t("sheet.step.done", { number })
                : t("sheet.step.count", { number })
            }
            onClick={onCount}
            flex="1 1 44px"
            minW="44px"
            h={`${tall}px`}
            px="0"
            bg={number <= item.done ? "ink" : "sheet"}
            borderColor="ink"
            borderWidth="2px"
            color="sheet"
            fontSize={tall > 60 ? "2rem" : undefined}
            disabled={!onCount || number <= item.done}
            opacity="1 !important"
          >
            {number <= item.done ? "✓" : ""}
          </Button>
        ))}
      </Flex>
      <Flex justify="space-between" mt="4px" fontSize="md" color="soft">
        <span>{t("sheet.step.tap_a_box_each_time")}</span>
        <b>{t("sheet.step.of", { done: item.done, repetitions: item.repetitions })}</b>
      </Flex>
    </>
  );
}
