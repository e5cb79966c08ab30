import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { t } from "../../words";

type Stage = Schemas["Routine"]["stages"][number];

// Units by which each level rises.
const RISE = 20;

const Tread = chakra("button");

type Props = { stages: Stage[]; chosen?: string | null; onChoose: (key: string) => void };

/** The stages as treads of a stair: those that wait for none on the ground, each other one above
 * what it waits for; beside each other in one column what can be climbed in the same days. */
export function StageStairs({ stages, chosen, onChoose }: Props) {
  const levels = [...new Set(stages.map((stage) => stage.level))].sort((a, b) => a - b);
  return (
    <Flex
      role="group"
      aria-label={t("routines.stairs.stages")}
      align="stretch"
      mb="14px"
      borderBottom="2px solid"
      borderColor="ink"
      hideBelow="md"
    >
      {levels.map((level) => (
        // Each begins so much higher than the one before, and stands on the ground.
        <Flex
          key={level}
          direction="column"
          flex="1 1 0"
          minW={0}
          pt={`${(levels.length - 1 - level) * RISE}px`}
        >
          {stages.map(
            (stage, at) =>
              stage.level === level && (
                <Tread
                  key={stage.key}
                  type="button"
                  w="100%"
                  textAlign="left"
                  px="6px"
                  py="4px"
                  mb="3px"
                  bg={stage.key === chosen ? "brassSoft" : "railSoft"}
                  borderTop="3px solid"
                  borderColor={stage.key === chosen ? "brass" : "rail"}
                  cursor="pointer"
                  fontSize="sm"
                  lineHeight={1.25}
                  css={{ overflowWrap: "anywhere", hyphens: "auto" }}
                  aria-pressed={stage.key === chosen}
                  onClick={() => onChoose(stage.key)}
                >
                  <Text as="span" display="block" fontWeight={650}>
                    {at + 1} {stage.name}
                  </Text>
                  <Text as="span" display="block" color="soft">
                    {t("routines.stairs.days", { count: stage.good_days })}
                  </Text>
                </Tread>
              ),
          )}
          <Box flex="1" bg="shade" borderLeft="1px solid" borderColor="line" aria-hidden="true" />
        </Flex>
      ))}
    </Flex>
  );
}
