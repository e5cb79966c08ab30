import { Box, Flex, Grid, Input, Text } from "@chakra-ui/react";
import { Redo2, Undo2 } from "lucide-react";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import type { Whose } from "../../api/queries";
import { Button } from "../../components/Button";
import { duration, ordinal } from "../../components/dates";
import { Notice } from "../../components/Notice";
import { PageHead, Paper, PartHead } from "../../components/Paper";
import { PageMap, type Range } from "../../components/page/PageMap";
import { Ribbon } from "../../components/page/Ribbon";
import { SavingState } from "../../components/SavingState";
import { TakeBack } from "../../components/TakeBack";
import { t } from "../../words";
import { AssignPiece } from "./AssignPiece";
import { Drill } from "./Drill";
import { ScriptConflict } from "./ScriptConflict";
import { Side, type Tab } from "./Side";
import { SignBar } from "./SignBar";
import { useBench } from "./useBench";
import { useBenchKeys } from "./useBenchKeys";
import { useWalk } from "./useWalk";
import { Walk } from "./Walk";
import { WhoseChoice } from "./WhoseChoice";

type Piece = Schemas["Piece"];
type Props = { piece: Piece; whose: Whose; onWhose: (whose: Whose) => void };

/** Everything one does to a piece, on one screen. */
export function Workbench({ piece: kept, whose, onWhose }: Props) {
  const bench = useBench(kept, whose);
  const piece = bench.piece;
  const [lit, setLit] = useState<number | null>(null);
  const [chosen, setChosen] = useState<Range | null>(null);
  const [giving, setGiving] = useState(false);
  const [asking, setAsking] = useState(false);
  // In the drill: where the student stands. What comes after is not shown.
  const [stand, setStand] = useState<number | null>(null);
  const [answer, setAnswer] = useState<number | null>(null);
  const [tab, setTab] = useState<Tab>("map");
  const walk = useWalk(kept.id, whose, piece);
  useBenchKeys({ bench, chosen, choose: setChosen, walk, onTab: setTab, off: asking });

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
        <Button aria-expanded={asking} onClick={() => setAsking(!asking)}>
          {t("piece.workbench.where_next")}
        </Button>
        <Button kind="go" aria-expanded={giving} onClick={() => setGiving(!giving)}>
          {t("piece.workbench.assign_to_a_student")}
        </Button>
      </PageHead>
      {giving && (
        <AssignPiece
          piece={{ id: kept.id, title: piece.title, figures: piece.figures }}
          onDone={() => setGiving(false)}
        />
      )}
      {kept.deleted && <TakeBack id={kept.id} title={piece.title} />}
      <ScriptConflict bench={bench} />
      <Grid templateColumns={{ base: "1fr", lg: "minmax(0, 1fr) 348px" }} gap="12px" alignItems="start">
        <Box minW={0}>
          <Paper p="8px 16px 8px">
            <PartHead
              beside={
                pointed && !asking ? <Pointed bar={pointed} piece={piece} /> : <Lines piece={piece} onLines={reshape} />
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
              onMove={asking ? undefined : (move) => bench.apply({ move })}
              onShift={asking ? undefined : (shift) => bench.apply({ shift })}
            />
            {asking ? (
              <Drill
                id={kept.id}
                whose={whose}
                revision={bench.revision}
                visits={piece.ribbon}
                answer={answer}
                onAnswered={() => setAnswer(null)}
                onStand={setStand}
                onEnd={() => setAsking(false)}
              />
            ) : (
              <SignBar bench={bench} chosen={chosen} onChoose={setChosen} />
            )}
            <Notice trouble={bench.trouble} />
          </Paper>
          <Paper p="8px 16px 8px" mt="10px">
            <PartHead beside={<Figures piece={piece} />}>
              {t("piece.workbench.as_played")}{" "}
              {!asking && (
                <Text as="span" color="ink" ml="8px" fontSize="md">
                  {piece.form.map((label) => label ?? "·").join(" ")}
                </Text>
              )}
            </PartHead>
            <Ribbon
              visits={asking && stand !== null ? piece.ribbon.slice(0, stand + 1) : piece.ribbon}
              lit={here === null ? lit : null}
              now={here}
              onPoint={setLit}
              onGo={asking ? undefined : walk.go}
            />
            {piece.ribbon.length < piece.figures.bars_played && (
              <Text color="brick">
                {t("piece.workbench.only_the_first_bars_as_played", { count: piece.ribbon.length })}
              </Text>
            )}
            {!asking && <Walk walk={walk} piece={piece} />}
          </Paper>
        </Box>
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

/** A bar in words: where it is, every time it is played and what differs then. */
function Pointed({ bar, piece }: { bar: Schemas["Bar"]; piece: Schemas["Page"] }) {
  const times = piece.ribbon
    .filter((visit) => visit.bar === bar.index)
    .map((visit) =>
      [...new Set([t("piece.workbench.time", { ordinal: ordinal(visit.time) }), visit.reached, ...visit.notes])]
        .filter(Boolean)
        .join(", "),
    );
  const said = [
    bar.place
      ? t("piece.workbench.bar", { place: bar.place, bar: bar.name })
      : t("piece.workbench.bar_2", { bar: bar.name }),
    t("piece.workbench.counts", { counts: bar.counts }),
    bar.like,
    ...bar.marks,
    times.length === 0
      ? t("piece.workbench.never_played")
      : times.length > 1 || times[0]?.includes(",")
        ? times.join("; ")
        : null,
  ];
  return <span data-pointed>{said.filter(Boolean).join(" · ")}</span>;
}

/** How many bars each line holds, typed as one counts them on paper. */
function Lines({ piece, onLines }: { piece: Schemas["Page"]; onLines: (page: number, lines: number[]) => void }) {
  const shape = piece.shape.length > 0 ? piece.shape : piece.pages.map(assumed);
  return (
    <Flex gap="10px" align="center" wrap="wrap">
      {shape.map(({ page, lines }) => (
        <Flex as="label" key={`${page}/${lines}`} gap="5px" align="center">
          {t("piece.workbench.bars_a_line_page", { page })}
          <Input
            size="xs"
            w={`${Math.max(lines.length, 5) + 3}ch`}
            h="24px"
            borderColor="line"
            fontSize="sm"
            defaultValue={lines}
            aria-label={t("piece.workbench.bars_in_each_line_of_page", { page })}
            onKeyDown={(event) => event.key === "Enter" && event.currentTarget.blur()}
            onBlur={(event) => {
              const typed = event.target.value.trim().split(/\s+/).map(Number);
              if (event.target.value.trim() !== lines && typed.every((one) => one >= 0)) onLines(page, typed);
            }}
          />
        </Flex>
      ))}
    </Flex>
  );
}

const assumed = (page: Schemas["Page"]["pages"][number]) => ({
  page: page.number,
  lines: page.lines.map((line) => line.bars.filter((bar) => bar.name !== "0").length).join(" "),
});

function Figures({ piece }: { piece: Schemas["Page"] }) {
  const { bars_played, bars_printed, counts_played, seconds, target_tempo, page_turns } = piece.figures;
  return (
    <>
      <Text as="b" color="ink">
        {t("piece.workbench.bars", { count: bars_played })}
      </Text>{" "}
      {[
        t("piece.workbench.of_printed", { bars_printed }),
        t("piece.workbench.counts", { counts: counts_played }),
        t("piece.workbench.lasts", { duration: duration(seconds), target_tempo }),
        page_turns > 0 && t("piece.workbench.page_turns", { count: page_turns }),
      ]
        .filter(Boolean)
        .join(" · ")}
    </>
  );
}
