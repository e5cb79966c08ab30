import { Box, Flex, Text, Textarea } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import type { Schemas } from "../../api/client";
import { useChangeScript, useReading } from "../../api/queries";
import { Button } from "../../parts/Button";
import { Notice } from "../../parts/Notice";
import { Paper, PartHead } from "../../parts/Paper";
import { useCalm } from "../../parts/useCalm";
import { ScriptProblems } from "./ScriptProblems";

type Piece = Schemas["Piece"];

/** The same map as text. When someone else changed the piece meanwhile, both
 * versions are shown and nothing is thrown away. */
export function ScriptEditor({ piece }: { piece: Piece }) {
  // What one types, and the revision it began from.
  const [script, setScript] = useState(piece.script);
  const [from, setFrom] = useState({ script: piece.script, revision: piece.revision });
  const changed = script.trim() !== from.script.trim();
  const save = useChangeScript(piece.id);
  const reading = useReading(useCalm(script));
  const stale =
    save.error?.problem.code === "stale" ? (save.error.problem.kept as { revision: number; script: string }) : null;

  const take = (stored: { script: string; revision: number }) => {
    setScript(stored.script);
    setFrom(stored);
    save.reset();
  };
  const store = (revision: number) => save.mutate({ script, revision }, { onSuccess: take });

  // What others (or the page above) changed shows up, unless one is typing.
  // biome-ignore lint/correctness/useExhaustiveDependencies: only a new revision counts
  useEffect(() => {
    if (!changed && piece.revision > from.revision) take(piece);
  }, [piece.revision]);

  return (
    <Paper p="10px 18px 12px" mt="12px">
      <details>
        <summary style={{ cursor: "pointer" }}>
          <Box as="span" display="inline-block" w="95%">
            <PartHead beside={changed ? "changed, not saved" : "the same map, in words"}>As typed</PartHead>
          </Box>
        </summary>
        <Textarea
          aria-label="Page script"
          spellCheck={false}
          value={script}
          rows={Math.min(script.split("\n").length + 1, 24)}
          borderColor="line"
          mt="6px"
          onChange={(event) => setScript(event.target.value)}
        />
        {changed && <ScriptProblems problems={reading.data?.problems ?? []} />}
        {stale ? (
          <Box role="alert" bg="brickSoft" borderLeft="4px solid" borderColor="brick" p="10px 12px" mt="8px">
            <Text fontWeight={650}>{save.error?.problem.detail}</Text>
            <Textarea
              aria-label="As stored now"
              readOnly
              value={stale.script}
              rows={8}
              my="6px"
              borderColor="line"
              bg="sheet"
            />
            <Flex gap="8px">
              <Button onClick={() => take(stale)}>Take theirs</Button>
              <Button kind="go" onClick={() => store(stale.revision)}>
                Keep mine
              </Button>
            </Flex>
          </Box>
        ) : (
          <Notice trouble={save.error} />
        )}
        <Flex gap="8px" mt="8px">
          <Button kind="go" disabled={!changed || save.isPending} onClick={() => store(from.revision)}>
            Save the script
          </Button>
          {changed && <Button onClick={() => take(piece)}>Back to what is stored</Button>}
        </Flex>
      </details>
    </Paper>
  );
}
