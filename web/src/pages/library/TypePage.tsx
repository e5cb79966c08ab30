import { Box, Grid, Text, Textarea } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { useNavigate } from "react-router";
import { useReading, useTypePiece } from "../../api/queries";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { PageHead, Paper, PartHead } from "../../components/Paper";
import { PageMap } from "../../components/page/PageMap";
import { Ribbon } from "../../components/page/Ribbon";
import { useCalm } from "../../components/useCalm";
import { t } from "../../words";
import { Diagnostics } from "../piece/Diagnostics";
import { ScriptProblems } from "../piece/ScriptProblems";

const START = "title: \nbook: \npage 1: 4 4 4 4\ntime: 4/4\nkey: C major\n";
const KEY = "stairwell-typed";

/** Typing what is printed, with the page drawn as one types. What was typed
 * stays in this browser until the piece is saved. */
export default function TypePage() {
  const [script, setScript] = useState(() => localStorage.getItem(KEY) ?? START);
  const [lit, setLit] = useState<number | null>(null);
  const reading = useReading(useCalm(script));
  const save = useTypePiece();
  const go = useNavigate();
  const piece = reading.data?.piece;

  useEffect(() => localStorage.setItem(KEY, script), [script]);
  const submit = () =>
    save.mutate(script, {
      onSuccess: (made) => {
        localStorage.removeItem(KEY);
        go(`/library/${made.id}`);
      },
    });

  return (
    <>
      <PageHead
        title={t("library.type_page.type_what_is_printed")}
        about={t("library.type_page.one_statement_a_line_the_page")}
      >
        <Button kind="go" onClick={submit} disabled={save.isPending || !piece}>
          {t("library.type_page.save_the_piece")}
        </Button>
      </PageHead>
      <Notice trouble={save.error} />
      <Grid templateColumns={{ base: "1fr", lg: "400px 1fr" }} gap="16px">
        <Paper p="14px">
          <PartHead>{t("library.type_page.as_typed")}</PartHead>
          <Textarea
            aria-label={t("library.type_page.page_script")}
            autoFocus
            spellCheck={false}
            value={script}
            onChange={(event) => setScript(event.target.value)}
            rows={16}
            mt="6px"
            borderColor="line"
            fontSize="md"
            lineHeight={1.5}
          />
          <ScriptProblems problems={reading.data?.problems ?? []} />
          <Box aria-live="polite" fontSize="sm" mt="4px">
            <Diagnostics diagnostics={piece?.diagnostics ?? []} onShow={setLit} />
          </Box>
          <Examples />
        </Paper>
        <Box minW={0}>
          <Paper p="14px">
            <PartHead
              beside={
                piece &&
                t("library.type_page.bars_printed_played", {
                  bars_printed: piece.figures.bars_printed,
                  bars_played: piece.figures.bars_played,
                })
              }
            >
              {t("library.type_page.the_page")}
            </PartHead>
            {piece ? (
              <PageMap pages={piece.pages} lit={lit} onPoint={setLit} chosen={null} width={780} />
            ) : (
              <Text color="soft">{t("library.type_page.say_first_how_many_bars_each")}</Text>
            )}
          </Paper>
          {piece && (
            <Paper p="14px" mt="12px">
              <PartHead>
                {t("library.type_page.as_played")} ·{" "}
                {piece.form.filter(Boolean).join(" ") || t("library.type_page.no_sections_yet")}
              </PartHead>
              <Ribbon width={780} visits={piece.ribbon} lit={lit} onPoint={setLit} />
            </Paper>
          )}
        </Box>
      </Grid>
    </>
  );
}

const EXAMPLES = [
  ["page 12: 4 4 5 4", "lines"],
  ["bars: 30", "bars"],
  ["time: 3/4 · time: 2/4 from 17", "time"],
  ["pickup: 1 · bar 26: 2 counts", "short_bars"],
  ["tempo: Andante, marked quarter = 92, target 76", "tempo"],
  ["repeat: 9-13 · repeat: to 16 · repeat: 1-8 x3", "repeats"],
  ["ending 1: 21 · ending 2: 22", "endings"],
  ["segno: 5 · to coda: 13 · coda: 27 · fine: 14", "signs"],
  ["dal segno: 26 al coda · da capo: 28 al fine", "jumps"],
  ["section A1: 5-8 like A except 8", "sections"],
] as const;

function Examples() {
  return (
    <Box as="details" mt="10px" fontSize="sm">
      <Text as="summary" fontWeight={650} cursor="pointer">
        {t("library.type_page.what_can_be_typed")}
      </Text>
      {EXAMPLES.map(([typed, means]) => (
        <Text key={typed} mt="3px">
          <b>{typed}</b>{" "}
          <Text as="span" color="soft">
            {t(`library.type_page.examples.${means}`)}
          </Text>
        </Text>
      ))}
    </Box>
  );
}
