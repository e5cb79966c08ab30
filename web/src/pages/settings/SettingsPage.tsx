import { Box, Flex, Text, Textarea } from "@chakra-ui/react";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useChangeStudio, useStudioSettings } from "../../api/queries";
import { Button } from "../../components/Button";
import { Lost, Notice, Waiting } from "../../components/Notice";
import { PageHead, Paper, PartHead } from "../../components/Paper";
import { PlanningRun } from "../../components/PlanningRun";
import { Stretches } from "../../components/Stretches";

type Settings = Schemas["StudioSettings"];

const WORDS: [Settings["terms"], string][] = [
  ["mixed", "bar, quarter note"],
  ["american", "measure, quarter note"],
  ["british", "bar, crotchet"],
];

/** What holds for the whole studio. */
export default function SettingsPage() {
  const settings = useStudioSettings();
  if (settings.error) return <Lost trouble={settings.error} again={() => settings.refetch()} />;
  if (!settings.data) return <Waiting what="the settings" />;
  return (
    <>
      <PageHead title="Settings" about="What holds for the whole studio." />
      <Flex gap="16px" wrap="wrap" align="stretch">
        <Words terms={settings.data.terms} />
        <OwnCaution caution={settings.data.caution} />
        <Holidays holidays={settings.data.holidays} />
      </Flex>
    </>
  );
}

function Words({ terms }: { terms: Settings["terms"] }) {
  const save = useChangeStudio();
  return (
    <Paper as="section" aria-label="Words" p="14px 18px" flex="1 1 320px">
      <PartHead>Words</PartHead>
      <Text mt="4px">In recaps and on week sheets. A student who came from elsewhere can keep their own.</Text>
      <Flex role="radiogroup" aria-label="Words" direction="column" gap="6px" mt="10px">
        {WORDS.map(([value, words]) => (
          <label key={value} style={{ display: "flex", gap: 8, alignItems: "center" }}>
            <input
              type="radio"
              name="terms"
              checked={terms === value}
              onChange={() => save.mutate({ terms: value })}
              disabled={save.isPending}
            />
            {words}
          </label>
        ))}
      </Flex>
      <Notice trouble={save.error} />
    </Paper>
  );
}

function OwnCaution({ caution }: { caution: string | null }) {
  const save = useChangeStudio();
  const [text, setText] = useState(caution ?? "");
  const changed = text.trim() !== (caution ?? "");
  return (
    <Paper as="section" aria-label="A caution of your own" p="14px 18px" flex="1 1 380px">
      <PartHead>A caution of your own</PartHead>
      <Text mt="4px">
        Stands on every week sheet and its print, behind the usual ones: pain, posture, breaks, and pedal, stretch and
        headphones where they apply.
      </Text>
      <Textarea
        aria-label="A caution of your own"
        mt="10px"
        rows={3}
        maxLength={600}
        borderColor="line"
        placeholder="For example: shoes off at the pedal, and warm hands before you start."
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <Flex mt="8px" gap="10px" align="center">
        <Button kind="go" disabled={!changed || save.isPending} onClick={() => save.mutate({ caution: text })}>
          Keep it
        </Button>
        {!changed && caution && <Text color="soft">on every sheet</Text>}
      </Flex>
      <Notice trouble={save.error} />
    </Paper>
  );
}

/** Days without lessons and practice, for everyone. */
function Holidays({ holidays }: { holidays: Settings["holidays"] }) {
  const save = useChangeStudio();
  return (
    <Paper as="section" aria-label="Holidays" p="14px 18px" flex="1 1 100%">
      <PartHead beside={<PlanningRun />}>Holidays</PartHead>
      <Text mt="4px">Days without lessons and practice. Everyone's week is planned around them.</Text>
      <Box mt="-4px">
        <Stretches legend="" word="Holiday" all={holidays} onChange={(all) => save.mutate({ holidays: all })} />
      </Box>
      <Notice trouble={save.error} />
    </Paper>
  );
}
