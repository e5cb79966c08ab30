import { Box, Flex, Text, VisuallyHidden } from "@chakra-ui/react";
import { listed, minutes } from "../../components/dates";
import { Paper } from "../../components/Paper";
import { Tempo } from "../../components/Tempo";
import { t } from "../../words";
import { nameOf } from "./Step";
import { type Item, isDone, rests } from "./useTicks";

/** A step as a line of the list: it opens at a press. */
export function Folded({ item, onOpen }: { item: Item; onOpen: () => void }) {
  const done = isDone(item);
  return (
    <Paper
      as="section"
      aria-label={nameOf(item)}
      mb="6px"
      borderColor="line"
      bg={done ? "transparent" : "sheet"}
    >
      <Flex
        as="button"
        width="100%"
        textAlign="left"
        cursor="pointer"
        minH="48px"
        gap="12px"
        align="center"
        px="14px"
        py="6px"
        onClick={onOpen}
      >
        <Count item={item} />
        <Box flex="1" minW={0}>
          <Text
            fontSize="lg"
            fontWeight={done ? 400 : 650}
            lineHeight={1.25}
            color={done ? "soft" : "ink"}
          >
            {item.title}
            {item.tempo && !done && (
              <>
                {", "}
                <Tempo beat={item.beat} tempo={item.tempo} />
              </>
            )}
          </Text>
          <Text fontSize="md" color="soft" lineHeight={1.3}>
            {listed([
              item.piece,
              rests(item) && t("sheet.folded.rests"),
              !done && item.place,
              item.kind === "more" && t("sheet.step.while_there_is_time"),
            ])}
          </Text>
        </Box>
        <Text fontSize="md" color="soft" whiteSpace="nowrap">
          {minutes(item.minutes)}
        </Text>
      </Flex>
    </Paper>
  );
}

/** How much of it is done, in the shape of its boxes. */
function Count({ item }: { item: Item }) {
  const done = isDone(item);
  return (
    <Flex
      flex="none"
      width="40px"
      height="30px"
      align="center"
      justify="center"
      borderRadius="3px"
      border="2px solid"
      borderColor={done ? "ink" : "line"}
      bg={done ? "ink" : undefined}
      color={done ? "sheet" : "soft"}
      fontSize="md"
      fontWeight={700}
    >
      <span aria-hidden>{done ? "✓" : `${item.done}/${item.repetitions}`}</span>
      <VisuallyHidden>
        {t("sheet.step.of", { done: item.done, repetitions: item.repetitions })}
      </VisuallyHidden>
    </Flex>
  );
}
