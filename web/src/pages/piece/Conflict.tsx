import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { t } from "../../words";
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
      <Text fontWeight={650}>
        {t("piece.conflict.changed_meanwhile", { by: stale.by ?? t("piece.conflict.someone_else") })}
      </Text>
      <Grid templateColumns="1fr 1fr" gap="16px" my="6px" fontSize="sm">
        <Difference head={t("piece.conflict.only_in_theirs")} lines={theirs.filter((line) => !mine.includes(line))} />
        <Difference head={t("piece.conflict.only_in_yours")} lines={mine.filter((line) => !theirs.includes(line))} />
      </Grid>
      <Flex gap="8px" wrap="wrap">
        <Button kind="go" onClick={() => bench.settle(stale.merged)}>
          {t("piece.conflict.put_my_changes_on_theirs")}
        </Button>
        <Button onClick={() => bench.settle(stale.script)}>{t("piece.conflict.take_theirs")}</Button>
        <Button onClick={() => bench.settle(script)}>{t("piece.conflict.keep_mine")}</Button>
      </Flex>
    </Box>
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
