import { Box, Flex, Grid, Input, Text } from "@chakra-ui/react";
import { Redo2, Undo2 } from "lucide-react";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import type { Whose } from "../../api/queries";
import { Button } from "../../components/Button";
import { duration } from "../../components/dates";
import { Notice } from "../../components/Notice";
import { PageHead, Paper, PartHead } from "../../components/Paper";
import { ordinal } from "../../components/page/geometry";
import { PageMap, type Range } from "../../components/page/PageMap";
import { Ribbon } from "../../components/page/Ribbon";
import { AssignPiece } from "./AssignPiece";
import { Conflict } from "./Conflict";
import { Drill } from "./Drill";
import { SavingState } from "./SavingState";
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
        <SavingState bench={bench} />
        <Button aria-label="Undo" title="Undo (Ctrl Z)" disabled={!bench.undo} onClick={bench.undo} px="9px">
          <Undo2 size={17} />
        </Button>
        <Button aria-label="Redo" title="Redo (Ctrl Y)" disabled={!bench.redo} onClick={bench.redo} px="9px">
          <Redo2 size={17} />
        </Button>
        <Button aria-expanded={asking} onClick={() => setAsking(!asking)}>
          Where next?
        </Button>
        <Button kind="go" aria-expanded={giving} onClick={() => setGiving(!giving)}>
          Assign to a student
        </Button>
      </PageHead>
      {giving && (
        <AssignPiece
          piece={{ id: kept.id, title: piece.title, figures: piece.figures }}
          onDone={() => setGiving(false)}
        />
      )}
      <Conflict bench={bench} />
      <Grid templateColumns={{ base: "1fr", lg: "minmax(0, 1fr) 348px" }} gap="12px" alignItems="start">
        <Box minW={0}>
          <Paper p="8px 16px 8px">
            <PartHead
              beside={
                pointed && !asking ? <Pointed bar={pointed} piece={piece} /> : <Lines piece={piece} onLines={reshape} />
              }
            >
              The page
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
              As played{" "}
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
                Only the first {piece.ribbon.length} bars as played are shown. Look for a repeat with too many times.
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
    ? "lines of four assumed"
    : numbers.length > 1
      ? `pages ${numbers[0]} to ${numbers[numbers.length - 1]}`
      : `page ${numbers[0]}`;
  return [
    piece.book,
    pages,
    [...piece.meters, ...piece.keys].join(", "),
    piece.tempo_words,
    `target ${piece.figures.target_tempo}`,
  ]
    .filter(Boolean)
    .join(" · ");
}

/** A bar in words: where it is, every time it is played and what differs then. */
function Pointed({ bar, piece }: { bar: Schemas["Bar"]; piece: Schemas["Page"] }) {
  const times = piece.ribbon
    .filter((visit) => visit.bar === bar.index)
    .map((visit) =>
      [...new Set([`${ordinal(visit.time)} time`, visit.reached, ...visit.notes])].filter(Boolean).join(", "),
    );
  const said = [
    bar.place ? `${bar.place} = bar ${bar.name}` : `bar ${bar.name}`,
    `${bar.counts} counts`,
    bar.like,
    ...bar.marks,
    times.length === 0 ? "never played" : times.length > 1 || times[0]?.includes(",") ? times.join("; ") : null,
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
          bars a line, page {page}
          <Input
            size="xs"
            w={`${Math.max(lines.length, 5) + 3}ch`}
            h="24px"
            borderColor="line"
            fontSize="sm"
            defaultValue={lines}
            aria-label={`Bars in each line of page ${page}`}
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
        {bars_played} bars
      </Text>{" "}
      of {bars_printed} printed · {counts_played} counts · {duration(seconds)} at {target_tempo}
      {page_turns > 0 && ` · ${page_turns} page ${page_turns === 1 ? "turn" : "turns"}`}
    </>
  );
}
