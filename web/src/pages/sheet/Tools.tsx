import { Box, Text } from "@chakra-ui/react";
import { type ReactNode, useEffect, useState } from "react";
import { prepareEngraver } from "../../components/engraving";
import { Notice } from "../../components/Notice";
import { useRemembered } from "../../components/useRemembered";
import { t } from "../../words";
import { Notes } from "./Notes";
import { Sounds } from "./Sounds";
import { StepWalk } from "./StepWalk";
import type { StepSound } from "./useStepSound";
import type { Item } from "./useTicks";

type Props = { item: Item; token: string; sound: StepSound; children?: ReactNode };

/** Metronome, sound, walk and notes of a step: behind one press, and as they were left the next
 * time. */
export function Tools({ item, token, sound, children }: Props) {
  const [open, setOpen] = useRemembered("stairwell-tools");
  const [notes, setNotes] = useState(false);
  // Its tools open, the notes are asked for next.
  useEffect(() => {
    if (open && item.score) prepareEngraver().catch(() => {});
  }, [open, item.score]);
  return (
    <details open={open} onToggle={(event) => setOpen(event.currentTarget.open)}>
      <summary style={{ cursor: "pointer", minHeight: 44, paddingTop: 10, fontWeight: 650 }}>
        {t(item.score ? "sheet.tools.with_score" : "sheet.tools.without_score")}
      </summary>
      <Sounds item={item} sound={sound} notes={notes} onNotes={() => setNotes(!notes)} />
      {/* Below what is tapped, so that nothing moves under a finger. */}
      <StepWalk sound={sound} />
      <Notice trouble={sound.trouble} />
      {notes && <Notes token={token} item={item} />}
      {children && <Box mt="8px">{children}</Box>}
    </details>
  );
}

/** Where it is, how it goes, and what to know beside. */
export function InWords({ item, place = true }: { item: Item; place?: boolean }) {
  return (
    <>
      {place && (
        <Text fontSize="lg" color="soft">
          {item.place}
        </Text>
      )}
      <Text fontSize="lg">
        {item.how}, {t("sheet.step.times", { count: item.repetitions })}
      </Text>
      {item.notes.map((note) => (
        <Text key={note} fontSize="md">
          {note}
        </Text>
      ))}
    </>
  );
}

export function DoneWhen({ item }: { item: Item }) {
  return (
    <Text fontSize="md" mt="6px">
      {item.done_when === null ? (
        t("sheet.step.while_there_is_time")
      ) : (
        <>
          <b>{t("sheet.step.done_when")}</b> {item.done_when}.
        </>
      )}
    </Text>
  );
}
