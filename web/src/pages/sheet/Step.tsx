import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useState } from "react";
import { Button } from "../../components/Button";
import { minutes } from "../../components/dates";
import { Notice } from "../../components/Notice";
import { Paper } from "../../components/Paper";
import { t } from "../../words";
import { Actions } from "./Actions";
import { Boxes } from "./Boxes";
import { Keys } from "./Keys";
import { Notes } from "./Notes";
import { Picture } from "./Picture";
import { Sounds } from "./Sounds";
import { StepWalk } from "./StepWalk";
import { useStepSound } from "./useStepSound";
import type { Item } from "./useTicks";

type StepProps = {
  item: Item;
  token: string;
  reads: boolean;
  /** Whether the day has steps of more than one piece. */
  several: boolean;
  onCount: () => void;
  onHard: () => void;
};

/** One thing to practise today, large enough for the music stand. */
export function Step({ item, token, reads, several, onCount, onHard }: StepProps) {
  const sound = useStepSound(token, item);
  const [notes, setNotes] = useState(false);
  const done = item.done >= item.repetitions;
  return (
    <Paper
      as="section"
      aria-label={several ? `${item.title}, ${item.piece}` : item.title}
      p="14px"
      mb="10px"
      borderWidth={done ? "1px" : "2px"}
      borderColor={done ? "line" : "rail"}
    >
      {several && (
        <Text fontSize="md" color="soft" fontWeight={650}>
          {item.piece}
        </Text>
      )}
      <Flex justify="space-between" gap="10px">
        <Heading as="h2" fontSize="1.375rem" fontWeight={750} lineHeight={1.2}>
          {item.title}
        </Heading>
        {!reads && (
          <Box flex="none">
            <Actions actions={item.actions} label={item.how} />
          </Box>
        )}
      </Flex>
      {reads && <InWords item={item} />}
      <Picture picture={item.picture} now={sound.visit?.bar} />
      <Keys starts={item.starts} />
      <Boxes item={item} onCount={onCount} />
      <Sounds item={item} sound={sound} notes={notes} onNotes={() => setNotes(!notes)} />
      {/* Below what is tapped, so that nothing moves under a finger. */}
      <StepWalk sound={sound} />
      <Notice trouble={sound.trouble} />
      {notes && <Notes token={token} item={item} />}
      <Flex gap="10px" mt="8px" align={reads ? "center" : "flex-start"}>
        {reads ? (
          <Done item={item} />
        ) : (
          <details style={{ flex: 1, paddingTop: 10 }}>
            <summary style={{ cursor: "pointer" }}>{t("sheet.step.in_words")}</summary>
            <InWords item={item} />
            <Done item={item} />
          </details>
        )}
        <Button onClick={onHard} aria-pressed={item.struggle} disabled={item.struggle} minH="44px">
          {item.struggle ? t("sheet.step.marked_as_hard") : t("sheet.step.that_was_hard")}
        </Button>
      </Flex>
      <Text fontSize="md" color="soft">
        {!several && `${item.piece} · `}
        {minutes(item.minutes)}
        {item.done > 0 && !done ? ` · ${t("sheet.step.go_on")}` : ""}
      </Text>
    </Paper>
  );
}

/** Where it is, how it goes, and what to know beside. */
export function InWords({ item }: { item: Item }) {
  return (
    <>
      <Text fontSize="lg" color="soft">
        {item.place}
      </Text>
      <Text fontSize="lg">
        {item.how}, {item.tempo && `${t("sheet.step.at", { tempo: item.tempo })}, `}
        {t("sheet.step.times", { count: item.repetitions })}
      </Text>
      {item.notes.map((note) => (
        <Text key={note} fontSize="md">
          {note}
        </Text>
      ))}
    </>
  );
}

function Done({ item }: { item: Item }) {
  return item.done_when === null ? (
    <Text flex="1" fontSize="md">
      {t("sheet.step.while_there_is_time")}
    </Text>
  ) : (
    <Text flex="1" fontSize="md">
      <b>{t("sheet.step.done_when")}</b> {item.done_when}.
    </Text>
  );
}
