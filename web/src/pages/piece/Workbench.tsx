import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { Redo2, Undo2 } from "lucide-react";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import type { Whose } from "../../api/queries";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { PageHead, Paper, PartHead } from "../../components/Paper";
import { PageMap, type Range } from "../../components/page/PageMap";
import { Ribbon } from "../../components/page/Ribbon";
import { May, useMay } from "../../components/Rights";
import { SavingState } from "../../components/SavingState";
import { TakeBack } from "../../components/TakeBack";
import { useRemembered } from "../../components/useRemembered";
import { t } from "../../words";
import { AssignPiece } from "./AssignPiece";
import { Drill } from "./Drill";
import { Figures } from "./Figures";
import { Order } from "./Order";
import { PageLines } from "./PageLines";
import { Pointed } from "./Pointed";
import { ScriptConflict } from "./ScriptConflict";
import { Side, type Tab } from "./Side";
import { SignBar } from "./SignBar";
import { useBench } from "./useBench";
import { useBenchKeys } from "./useBenchKeys";
import { usePrepared } from "./usePrepared";
import { useWalk } from "./useWalk";
import { Walk } from "./Walk";
import { WhoseChoice } from "./WhoseChoice";

type Piece = Schemas["Piece"];
type Props = { piece: Piece; whose: Whose; onWhose: (whose: Whose) => void };

/** Everything one does to a piece, on one screen. */
export function Workbench({ piece: kept, whose, onWhose }: Props) {
  const bench = useBench(kept, whose);
  const teaches = useMay()("teach");
  const piece = bench.piece;
  const [lit, setLit] = useState<number | null>(null);
  const [chosen, setChosen] = useState<Range | null>(null);
  const [assigning, setAssigning] = useState(false);
  const leave = (event: React.KeyboardEvent) => {
    if (event.key !== "Escape" || !assigning) return;
    setAssigning(false);
    document.getElementById("assign")?.focus();
  };
  const [asking, setAsking] = useState(false);
  const [close, setClose] = useRemembered("stairwell-page-close");
  // In the drill: where the student stands. What comes after is not shown.
  const [stand, setStand] = useState<number | null>(null);
  const [answer, setAnswer] = useState<number | null>(null);
  const [tab, setTab] = useState<Tab>("map");
  usePrepared(kept.has_score);
  const walk = useWalk(kept.id, whose, piece);
  useBenchKeys({ bench, chosen, choose: setChosen, walk, onTab: setTab, off: asking || !teaches });

  const bars = piece.pages.flatMap((page) => page.lines.flatMap((line) => line.bars));
  const here = asking ? stand : walk.at;
  const bar = here === null ? lit : (piece.ribbon[here]?.bar ?? null);
  const pointed = bars.find((one) => one.index === bar);
  const show = (bar: number) => {
    setLit(bar);
    setChosen({ from: bar, to: bar });
  };
  const reshape = (page: number, lines: number[]) => bench.apply({ lines: { page, bars: lines } });

  return (
    <>
      <PageHead title={piece.title} about={about(piece)}>
        <WhoseChoice value={whose} onChoose={onWhose} />
        <May to="teach">
          <SavingState
            saving={bench.saving}
            again={bench.again}
            said={bench.readable ? null : t("piece.workbench.no_line_says_how_many")}
          />
          <Button
            aria-label={t("piece.workbench.undo")}
            title={t("piece.workbench.undo_ctrl_z")}
            disabled={!bench.undo}
            onClick={bench.undo}
            px="9px"
          >
            <Undo2 size={17} />
          </Button>
          <Button
            aria-label={t("piece.workbench.redo")}
            title={t("piece.workbench.redo_ctrl_y")}
            disabled={!bench.redo}
            onClick={bench.redo}
            px="9px"
          >
            <Redo2 size={17} />
          </Button>
        </May>
        <Button aria-expanded={asking} onClick={() => setAsking(!asking)}>
          {t("piece.workbench.where_next")}
        </Button>
        <May to="change">
          <Button
            id="assign"
            kind="go"
            aria-expanded={assigning}
            onKeyDown={leave}
            onClick={() => setAssigning(!assigning)}
          >
            {t("piece.workbench.assign_to_a_student")}
          </Button>
        </May>
      </PageHead>
      {assigning && (
        // Over the page, which stays where it is.
        <Box position="relative" zIndex={15} onKeyDown={leave}>
          <Box position={{ lg: "absolute" }} top="0" left="0" right="0">
            <AssignPiece
              piece={{ id: kept.id, title: piece.title, figures: piece.figures }}
              onDone={() => setAssigning(false)}
            />
          </Box>
        </Box>
      )}
      {kept.deleted && teaches && <TakeBack id={kept.id} title={piece.title} />}
      <ScriptConflict bench={bench} />
      <Grid
        templateColumns={{ base: "1fr", lg: "minmax(0, 1fr) 348px" }}
        gap="12px"
        alignItems="start"
      >
        <Box minW={0}>
          <Paper p="8px 16px 8px">
            <PartHead
              beside={
                // As tall whichever stands there.
                <Flex minH="28px" align="center">
                  {pointed && !asking ? (
                    <Pointed bar={pointed} piece={piece} />
                  ) : (
                    teaches && <PageLines piece={piece} onLines={reshape} />
                  )}
                  <Button
                    kind="toggle"
                    size="sm"
                    ml="10px"
                    aria-pressed={close}
                    onClick={() => setClose(!close)}
                  >
                    {t("piece.workbench.closer")}
                  </Button>
                </Flex>
              }
            >
              {t("piece.workbench.the_page")}
            </PartHead>
            <PageMap
              pages={piece.pages}
              sections={piece.sections}
              lit={bar}
              onPoint={setLit}
              chosen={asking ? null : chosen}
              onChoose={asking ? (range) => range && setAnswer(range.from) : setChosen}
              onMove={asking || !teaches ? undefined : (move) => bench.apply({ move })}
              onShift={asking || !teaches ? undefined : (shift) => bench.apply({ shift })}
              close={close}
            />
            {!asking && teaches && <SignBar bench={bench} chosen={chosen} onChoose={setChosen} />}
            <Notice trouble={bench.trouble} />
          </Paper>
          <Order>
            {asking && (
              <Drill
                id={kept.id}
                whose={whose}
                revision={bench.revision}
                visits={piece.ribbon}
                tempo={walk.tempo}
                answer={answer}
                onAnswered={() => setAnswer(null)}
                onStand={setStand}
                onEnd={() => setAsking(false)}
              />
            )}
            <Paper p="8px 16px 8px">
              <PartHead beside={<Figures piece={piece} />}>
                {t("piece.workbench.as_played")}{" "}
                {!asking && (
                  <Text as="span" color="ink" ml="8px" fontSize="md">
                    {piece.form.map((label) => label ?? "·").join(" ")}
                  </Text>
                )}
              </PartHead>
              <Box maxH="30vh" overflowY="auto">
                <Ribbon
                  visits={
                    asking && stand !== null ? piece.ribbon.slice(0, stand + 1) : piece.ribbon
                  }
                  lit={here === null ? lit : null}
                  now={here}
                  onPoint={setLit}
                  onGo={asking ? undefined : walk.go}
                />
              </Box>
              {piece.ribbon.length < piece.figures.bars_played && (
                <Text color="brick">
                  {t("piece.workbench.only_the_first_bars_as_played", {
                    count: piece.ribbon.length,
                  })}
                </Text>
              )}
              {!asking && <Walk walk={walk} piece={piece} />}
            </Paper>
          </Order>
        </Box>
        {/* While one is asked, what would tell the answer is out of reach. */}
        <Box position={{ lg: "sticky" }} top="8px" opacity={asking ? 0.25 : 1} inert={asking}>
          <Side
            id={kept.id}
            hasScore={kept.has_score}
            bench={bench}
            whose={whose}
            tab={tab}
            onTab={setTab}
            chosen={chosen}
            onChoose={setChosen}
            onShow={show}
          />
        </Box>
      </Grid>
    </>
  );
}

function about(piece: Schemas["Page"]) {
  const numbers = piece.pages.map((page) => page.number);
  const pages = piece.layout_assumed
    ? t("piece.workbench.lines_of_four_assumed")
    : numbers.length > 1
      ? t("piece.workbench.pages_to", { from: numbers[0], to: numbers[numbers.length - 1] })
      : t("piece.workbench.page", { page: numbers[0] });
  return [
    piece.book,
    pages,
    [...piece.meters, ...piece.keys].join(", "),
    piece.tempo_words,
    t("piece.workbench.target", { target_tempo: piece.figures.target_tempo }),
  ]
    .filter(Boolean)
    .join(" · ");
}
