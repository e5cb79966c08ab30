import { Box, Grid, Text } from "@chakra-ui/react";
import { Conflict } from "../../components/Conflict";
import { Notice } from "../../components/Notice";
import { t } from "../../words";
import type { Bench } from "./useBench";

/** Another teacher was quicker. Both are shown, and nothing is thrown away: whatever one
 * takes, undo brings the other back. */
export function ScriptConflict({ bench }: { bench: Bench }) {
  const { stale, script } = bench;
  if (!stale) return <Notice trouble={bench.stopped} />;
  const mine = lines(script);
  const theirs = lines(stale.script);
  return (
    <Conflict
      said={t("piece.conflict.changed_meanwhile", {
        by: stale.by ?? t("components.conflict.someone_else"),
      })}
      onBoth={() => bench.settle(stale.merged)}
      onTheirs={() => bench.settle(stale.script)}
      onMine={() => bench.settle(script)}
    >
      <Grid templateColumns="1fr 1fr" gap="16px" my="6px" fontSize="sm">
        <Difference
          head={t("piece.conflict.only_in_theirs")}
          lines={theirs.filter((line) => !mine.includes(line))}
        />
        <Difference
          head={t("piece.conflict.only_in_yours")}
          lines={mine.filter((line) => !theirs.includes(line))}
        />
      </Grid>
    </Conflict>
  );
}

const lines = (script: string) => script.split("\n").filter((line) => line.trim());

export function Difference({ head, lines }: { head: string; lines: string[] }) {
  return (
    <Box>
      <Text fontWeight={650}>{head}</Text>
      {lines.length === 0 && <Text color="soft">{t("piece.conflict.nothing")}</Text>}
      {lines.map((line) => (
        <Text key={line} overflowWrap="anywhere">
          {line}
        </Text>
      ))}
    </Box>
  );
}
