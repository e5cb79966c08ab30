import { Box, Heading, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { minutes } from "../../components/dates";
import { Tempo } from "../../components/Tempo";
import { t } from "../../words";
import { Boxes } from "./Boxes";
import { Hurts } from "./Hurts";
import { Keys } from "./Keys";
import { Picture } from "./Picture";
import { DoneWhen, InWords, Tools } from "./Tools";
import { useStepSound } from "./useStepSound";
import { type Item, isDone, rests } from "./useTicks";

type StepProps = {
  item: Item;
  token: string;
  cautions: Schemas["Sheet"]["cautions"];
  /** None of a day that has not come. */
  onMark?: (kind: "repetition" | "struggle" | "hurts") => void;
};

/** One thing to practise, large enough for the music stand. */
export function Step({ item, token, cautions, onMark }: StepProps) {
  const sound = useStepSound(token, item);
  const done = isDone(item);
  return (
    <Box as="section" aria-label={nameOf(item)} mb="10px">
      <Text fontSize="md" color="soft">
        {minutes(item.minutes)}
        {item.done > 0 && !done ? ` · ${t("sheet.step.go_on")}` : ""}
      </Text>
      <Heading
        as="h2"
        tabIndex={-1}
        fontSize="1.375rem"
        fontWeight={750}
        lineHeight={1.2}
        outline="none"
      >
        {item.title}
        {item.tempo && (
          <Box as="span" fontWeight={650} whiteSpace="nowrap">
            {", "}
            <Tempo beat={item.beat} tempo={item.tempo} />
          </Box>
        )}
      </Heading>
      <InWords item={item} />
      <Picture picture={item.picture} now={sound.visit?.bar} />
      <Keys starts={item.starts} />
      {!rests(item) && <Boxes item={item} onCount={onMark && (() => onMark("repetition"))} />}
      <DoneWhen item={item} />
      <Hurts
        item={item}
        cautions={cautions}
        onHard={onMark && (() => onMark("struggle"))}
        onHurts={onMark && (() => onMark("hurts"))}
      />
      {!rests(item) && <Tools item={item} token={token} sound={sound} />}
    </Box>
  );
}

/** Its title, and of which piece. */
export const nameOf = (item: Item) => `${item.title}, ${item.piece}`;
