import { Box, Heading, Text } from "@chakra-ui/react";
import type { Ref } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../components/Button";
import { minutes } from "../../components/dates";
import { Paper } from "../../components/Paper";
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
  /** Where something follows. */
  onNext?: () => void;
  ref?: Ref<HTMLDivElement>;
};

/** One thing to practise, large enough for the music stand. */
export function Step({ item, token, cautions, onMark, onNext, ref }: StepProps) {
  const sound = useStepSound(token, item);
  const done = isDone(item);
  return (
    <Paper
      ref={ref}
      as="section"
      aria-label={nameOf(item)}
      p="14px"
      mb="10px"
      borderWidth={done ? "1px" : "2px"}
      borderColor={done ? "line" : "rail"}
    >
      <Text fontSize="md" color="soft" fontWeight={650}>
        {item.piece} · {minutes(item.minutes)}
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
      {onNext && (
        <Button
          kind={done || rests(item) ? "go" : "plain"}
          minH="48px"
          width="100%"
          mt="8px"
          onClick={onNext}
        >
          {t("sheet.step.next")}
        </Button>
      )}
    </Paper>
  );
}

/** Its title, and of which piece. */
export const nameOf = (item: Item) => `${item.title}, ${item.piece}`;
