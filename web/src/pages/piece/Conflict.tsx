import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import type { Bench } from "./useBench";

/** Another teacher was quicker. Both are shown, and nothing is thrown away:
 * whatever one takes, undo brings the other back. */
export function Conflict({ bench }: { bench: Bench }) {
  const { stale, script } = bench;
  if (!stale) return <Notice trouble={bench.stopped} />;
  const mine = lines(script);
  const theirs = lines(stale.script);
  return (
    <Box role="alert" bg="brickSoft" borderLeft="4px solid" borderColor="brick" p="10px 14px" mb="12px">
      <Text fontWeight={650}>{stale.by ?? "Someone else"} changed this piece while you were at work on it.</Text>
      <Grid templateColumns="1fr 1fr" gap="16px" my="6px" fontSize="sm">
        <Difference head="Only in theirs" lines={theirs.filter((line) => !mine.includes(line))} />
        <Difference head="Only in yours" lines={mine.filter((line) => !theirs.includes(line))} />
      </Grid>
      <Flex gap="8px" wrap="wrap">
        <Button kind="go" onClick={() => bench.settle(stale.merged)}>
          Put my changes on theirs
        </Button>
        <Button onClick={() => bench.settle(stale.script)}>Take theirs</Button>
        <Button onClick={() => bench.settle(script)}>Keep mine</Button>
      </Flex>
    </Box>
  );
}

const lines = (script: string) => script.split("\n").filter((line) => line.trim());

export function Difference({ head, lines }: { head: string; lines: string[] }) {
  return (
    <Box>
      <Text fontWeight={650}>{head}</Text>
      {lines.length === 0 && <Text color="soft">nothing</Text>}
      {lines.map((line) => (
        <Text key={line} overflowWrap="anywhere">
          {line}
        </Text>
      ))}
    </Box>
  );
}
