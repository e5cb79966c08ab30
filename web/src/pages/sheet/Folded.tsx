import { Box, Flex, Text, VisuallyHidden } from "@chakra-ui/react";
import { listed, minutes } from "../../components/dates";
import { Paper } from "../../components/Paper";
import { Tempo } from "../../components/Tempo";
import { t } from "../../words";
import type { DayRow } from "./rows";
import { nameOf } from "./Step";
import { type Item, isDone, rests } from "./useTicks";

/** A row as a line of the list: it opens at a press. */
export function Folded({ row, onOpen }: { row: DayRow; onOpen: () => void }) {
  const { items } = row;
  const [item] = items;
  if (!item) return null;
  const done = items.every(isDone);
  const several = items.length > 1;
  return (
    <Paper
      as="section"
      aria-label={several ? `${row.row?.title}, ${item.piece}` : nameOf(item)}
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
        <Count items={items} />
        <Box flex="1" minW={0}>
          <Text
            fontSize="lg"
            fontWeight={done ? 400 : 650}
            lineHeight={1.25}
            color={done ? "soft" : "ink"}
          >
            {row.row?.short_day && "◆ "}
            {several ? row.row?.title : item.title}
            {!several && item.tempo && !done && (
              <>
                {", "}
                <Tempo beat={item.beat} tempo={item.tempo} />
              </>
            )}
          </Text>
          <Text fontSize="md" color="soft" lineHeight={1.3}>
            {listed([
              item.piece,
              several && !done && listed([...new Set(items.map((one) => one.stage))]),
              items.every(rests) && t("sheet.folded.rests"),
              !several && !done && item.place,
              item.kind === "more" && t("sheet.step.while_there_is_time"),
            ])}
          </Text>
        </Box>
        <Text fontSize="md" color="soft" whiteSpace="nowrap">
          {minutes(items.reduce((sum, one) => sum + one.minutes, 0))}
        </Text>
      </Flex>
    </Paper>
  );
}

/** How much of it is done, in the shape of its boxes. */
function Count({ items }: { items: Item[] }) {
  const done = items.every(isDone);
  const of = {
    done: items.reduce((sum, item) => sum + Math.min(item.done, item.repetitions), 0),
    repetitions: items.reduce((sum, item) => sum + item.repetitions, 0),
  };
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
      <span aria-hidden>{done ? "✓" : `${of.done}/${of.repetitions}`}</span>
      <VisuallyHidden>
        {t("sheet.step.of", { done: of.done, repetitions: of.repetitions })}
      </VisuallyHidden>
    </Flex>
  );
}
