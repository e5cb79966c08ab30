import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../components/Button";
import { minutes } from "../../components/dates";
import { Paper } from "../../components/Paper";
import { colour } from "../../theme/system";
import { t } from "../../words";
import { Actions } from "./Actions";
import { Boxes } from "./Boxes";
import { Hurts } from "./Hurts";
import { Keys } from "./Keys";
import { Onces } from "./Onces";
import { Picture } from "./Picture";
import { Metronome } from "./Sounds";
import { nameOf } from "./Step";
import type { DayProps } from "./Steps";
import { DoneWhen, InWords, Tools } from "./Tools";
import { useStepSound } from "./useStepSound";
import { type Item, isDone, keyOf, onces, rests, thingOf } from "./useTicks";

/** A day for those who cannot read yet: one card at a time, its picture first, and behind the last
 * one the day as it was done. */
export default function Child({ day, token, cautions, send, first }: DayProps) {
  const open = day.items.findIndex((item) =>
    first ? keyOf(item) === first : !isDone(item) && !rests(item),
  );
  const [at, setAt] = useState(open < 0 ? day.items.length : open);
  const item = day.items[at];
  return (
    <>
      <Rise items={day.items} at={at} onChoose={setAt} />
      {item ? (
        <Card
          key={keyOf(item)}
          item={item}
          token={token}
          cautions={cautions}
          onMark={send && ((kind) => send(item, kind, day.date))}
        />
      ) : (
        <TheDay items={day.items} />
      )}
      <Flex gap="10px" position="sticky" bottom="0" py="8px" bg="ground" zIndex={1}>
        <Button
          flex="1"
          minH="56px"
          fontSize="lg"
          disabled={at === 0}
          onClick={() => setAt(at - 1)}
        >
          ‹ {t("sheet.child.before")}
        </Button>
        <Button
          flex="1"
          minH="56px"
          fontSize="lg"
          kind={!item || isDone(item) || rests(item) ? "go" : "plain"}
          disabled={!item}
          onClick={() => setAt(at + 1)}
        >
          {t("sheet.child.next")} ›
        </Button>
      </Flex>
      {onces(day).length > 0 && (
        <details>
          <summary style={{ cursor: "pointer", minHeight: 44, paddingTop: 10 }}>
            {t("sheet.child.also")}
          </summary>
          <Onces
            all={onces(day)}
            label={t("sheet.onces.also_to_do")}
            onTick={send && ((one) => send(thingOf(one), "repetition", day.date))}
          />
        </details>
      )}
    </>
  );
}

type RiseProps = { items: Item[]; at: number; onChoose: (at: number) => void };

/** The day as steps that rise: filled where it is done, and each opens its card. */
function Rise({ items, at, onChoose }: RiseProps) {
  return (
    <Flex
      as="ol"
      listStyleType="none"
      gap="6px"
      align="flex-end"
      my="8px"
      aria-label={t("sheet.child.the_day")}
    >
      {items.map((item, place) => (
        <Box key={keyOf(item)} as="li" flex="1" maxW="64px">
          <Flex
            as="button"
            aria-label={t("sheet.child.step", { number: place + 1, name: item.how })}
            aria-current={place === at ? "step" : undefined}
            onClick={() => onChoose(place)}
            width="100%"
            height="48px"
            align="flex-end"
            cursor="pointer"
          >
            <Box
              width="100%"
              height={`${14 + (30 * (place + 1)) / items.length}px`}
              borderRadius="3px"
              border={place === at ? "3px solid" : "2px solid"}
              borderColor={place === at ? "rail" : "line"}
              bg={isDone(item) ? "ink" : "sheet"}
            />
          </Flex>
        </Box>
      ))}
    </Flex>
  );
}

type CardProps = {
  item: Item;
  token: string;
  cautions: Schemas["Sheet"]["cautions"];
  onMark?: (kind: "repetition" | "struggle" | "hurts") => void;
};

/** One thing: what to do as a picture, where it is, and a box for each time. */
function Card({ item, token, cautions, onMark }: CardProps) {
  const sound = useStepSound(token, item);
  return (
    <Paper
      as="section"
      aria-label={nameOf(item)}
      display="flex"
      flexDirection="column"
      minH="calc(100dvh - 224px)"
      p="14px"
      borderWidth="3px"
      borderColor="rail"
    >
      <Text fontSize="md" lineHeight={1.3}>
        <b>{item.piece}</b>{" "}
        <Text as="span" color="soft">
          {item.place}
        </Text>
      </Text>
      <Flex flex="1" minH="130px" align="center" justify="center">
        <Box height="clamp(110px, 20dvh, 190px)" width="100%">
          <Actions actions={item.actions} label={item.how} />
        </Box>
      </Flex>
      <Heading
        as="h2"
        fontSize="1.5rem"
        fontWeight={750}
        textAlign="center"
        lineHeight={1.2}
        mb="6px"
      >
        {item.how.charAt(0).toLocaleUpperCase() + item.how.slice(1)}
      </Heading>
      <Picture picture={item.picture} now={sound.visit?.bar} />
      {!rests(item) && (
        <Boxes item={item} onCount={onMark && (() => onMark("repetition"))} tall={84} />
      )}
      <Flex gap="10px" mt="8px">
        {!rests(item) && <Metronome item={item} sound={sound} />}
      </Flex>
      <Hurts
        item={item}
        cautions={cautions}
        onHard={onMark && (() => onMark("struggle"))}
        onHurts={onMark && (() => onMark("hurts"))}
      />
      <details>
        <summary style={{ cursor: "pointer", minHeight: 44, paddingTop: 10 }}>
          {t("sheet.child.for_grown_ups")}
        </summary>
        <Text fontSize="lg" fontWeight={700}>
          {item.title}, {minutes(item.minutes)}
        </Text>
        <InWords item={item} place={false} />
        <DoneWhen item={item} />
        <Keys starts={item.starts} />
        <Tools item={item} token={token} sound={sound} />
      </details>
    </Paper>
  );
}

/** The day when it is over, as it was. */
function TheDay({ items }: { items: Item[] }) {
  const done = items.filter(isDone).length;
  const all = done === items.length;
  return (
    <Paper
      as="section"
      aria-label={t("sheet.child.the_day")}
      display="flex"
      flexDirection="column"
      justifyContent="center"
      minH="calc(100dvh - 236px)"
      p="20px"
      borderWidth="3px"
      borderColor={all ? "ink" : "line"}
    >
      <svg
        viewBox={`0 0 ${items.length * 30} 130`}
        width="100%"
        style={{ maxHeight: 260 }}
        aria-hidden
      >
        {items.map((item, at) => {
          const tall = 20 + (100 * (at + 1)) / items.length;
          return (
            <rect
              key={keyOf(item)}
              x={at * 30 + 2}
              y={128 - tall}
              width="26"
              height={tall}
              rx="2"
              fill={isDone(item) ? colour("ink") : colour("sheet")}
              stroke={isDone(item) ? colour("ink") : colour("line")}
              strokeWidth="2"
            />
          );
        })}
      </svg>
      <Heading
        as="h2"
        fontSize="1.75rem"
        fontWeight={750}
        textAlign="center"
        mt="16px"
        lineHeight={1.2}
      >
        {all ? t("sheet.child.all_done") : t("sheet.child.so_far", { done, count: items.length })}
      </Heading>
    </Paper>
  );
}
