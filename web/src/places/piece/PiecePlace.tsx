import { Box, chakra, Flex, Grid, Heading, Text } from "@chakra-ui/react";
import { useState } from "react";
import { useParams } from "react-router";
import type { Schemas } from "../../api/client";
import { usePiece, useSuggestSections } from "../../api/queries";
import { Button } from "../../parts/Button";
import { duration } from "../../parts/dates";
import { Lost, Notice, Waiting } from "../../parts/Notice";
import { Paper, PartHead, PlaceHead } from "../../parts/Paper";
import { PageMap, type Range } from "../../parts/page/PageMap";
import { Ribbon } from "../../parts/page/Ribbon";
import { GivePiece } from "./GivePiece";
import { ScriptEditor } from "./ScriptEditor";
import { SectionStrip } from "./SectionStrip";

type Piece = Schemas["Piece"];

/** A piece: its page, its playing order, its sections, and what to check. */
export function PiecePlace() {
  const id = Number(useParams().id);
  const piece = usePiece(id);
  if (piece.error) return <Lost trouble={piece.error} again={() => piece.refetch()} />;
  if (!piece.data) return <Waiting what="the piece" />;
  return <Workbench key={id} piece={piece.data} />;
}

function Workbench({ piece }: { piece: Piece }) {
  const [lit, setLit] = useState<number | null>(null);
  const [chosen, setChosen] = useState<Range | null>(null);
  const [giving, setGiving] = useState(false);
  const about = [
    piece.book,
    pagesOf(piece),
    [...piece.meters, ...piece.keys].join(", "),
    piece.tempo_words,
    `aim ${piece.figures.aim}`,
  ];
  const pointed = piece.pages
    .flatMap((page) => page.lines.flatMap((line) => line.bars))
    .find((bar) => bar.index === lit);

  return (
    <>
      <PlaceHead title={piece.title} about={about.filter(Boolean).join(" · ")}>
        <Button kind="go" aria-expanded={giving} onClick={() => setGiving(!giving)}>
          Give to a student
        </Button>
      </PlaceHead>
      {giving && <GivePiece piece={piece} onDone={() => setGiving(false)} />}
      <Grid templateColumns={{ base: "1fr", lg: "minmax(0, 1fr) 320px" }} gap="16px" alignItems="start">
        <Box minW={0}>
          <Paper p="14px 18px 10px">
            <PartHead
              beside={pointed ? `${pointed.place ?? "bar"} = bar ${pointed.name}, ${pointed.counts} counts` : <Keys />}
            >
              The page
            </PartHead>
            <PageMap pages={piece.pages} lit={lit} onPoint={setLit} chosen={chosen} onChoose={setChosen} />
            <SectionStrip piece={piece} chosen={chosen} onChoose={setChosen} />
          </Paper>
          <Paper p="10px 18px 12px" mt="12px">
            <PartHead beside={<Figures piece={piece} />}>
              As played{" "}
              <Text as="span" color="ink" ml="8px" fontSize="md">
                {piece.form.map((label) => label ?? "·").join(" ")}
              </Text>
            </PartHead>
            <Ribbon visits={piece.ribbon} lit={lit} onPoint={setLit} />
          </Paper>
          <ScriptEditor piece={piece} />
        </Box>
        <Aside
          piece={piece}
          onShow={(bar) => {
            setLit(bar);
            setChosen({ from: bar, to: bar });
          }}
          onChoose={setChosen}
        />
      </Grid>
    </>
  );
}

const pagesOf = (piece: Piece) => {
  if (piece.layout_assumed) return "lines of four assumed";
  const numbers = piece.pages.map((page) => page.number);
  return numbers.length > 1 ? `pages ${numbers[0]} to ${numbers[numbers.length - 1]}` : `page ${numbers[0]}`;
};

function Keys() {
  return (
    <>
      drag, or <kbd>←</kbd> <kbd>→</kbd> <kbd>↑</kbd> <kbd>↓</kbd> and <kbd>shift</kbd>, then <kbd>S</kbd> names a
      section
    </>
  );
}

function Figures({ piece }: { piece: Piece }) {
  const { bars_played, bars_printed, counts_played, seconds, aim, page_turns } = piece.figures;
  return (
    <>
      <Text as="b" color="ink">
        {bars_played} bars
      </Text>{" "}
      of {bars_printed} printed · {counts_played} counts · {duration(seconds)} at {aim}
      {page_turns > 0 && ` · ${page_turns} page ${page_turns === 1 ? "turn" : "turns"}`}
    </>
  );
}

const Letter = chakra("button", {
  base: { minW: "30px", textAlign: "left", fontWeight: 750, cursor: "pointer", _hover: { color: "rail" } },
});

type AsideProps = { piece: Piece; onShow: (bar: number) => void; onChoose: (range: Range) => void };

function Aside({ piece, onShow, onChoose }: AsideProps) {
  return (
    <Paper
      css={{
        "& > *": { borderBottom: "1px solid var(--chakra-colors-line)", padding: "12px 16px" },
        "& > *:last-child": { border: 0 },
      }}
    >
      <HowLong piece={piece} />
      <Box as="section">
        <PartHead>Sections</PartHead>
        {piece.sections.length === 0 && <NoSections piece={piece} />}
        {piece.sections.map((section) => (
          <Flex key={section.label} gap="10px" align="baseline">
            <Letter
              type="button"
              onClick={() => onChoose(section.spans[0] as Range)}
              aria-label={`Show section ${section.label}`}
            >
              {section.label}
            </Letter>
            <Text>{section.spans.map((span) => span.names).join(", ")}</Text>
            <Text color="soft">{section.words}</Text>
          </Flex>
        ))}
      </Box>
      <Box as="section">
        <PartHead>Check</PartHead>
        {piece.diagnostics.length === 0 && <Text color="soft">The signs and counts of the page add up.</Text>}
        {piece.diagnostics.map((one) => (
          <Flex key={`${one.code}/${one.bar}/${one.message}`} gap="10px" mt="4px" align="flex-start">
            <Sign grave={one.grave} />
            <Box>
              {one.message}{" "}
              {one.bar && (
                <Button kind="quiet" size="sm" px="0" minH="0" onClick={() => onShow(one.bar as number)}>
                  Show the bar
                </Button>
              )}
            </Box>
          </Flex>
        ))}
      </Box>
      {piece.unread.length > 0 && (
        <Box as="details">
          <Text as="summary" cursor="pointer" fontSize="sm" fontWeight={700} color="soft">
            In the score, not used yet
          </Text>
          {piece.unread.map((one) => (
            <Text key={one.what} fontSize="sm">
              {one.what}
              {one.bars.length > 0 && ` (bar ${one.bars.join(", ")})`}
            </Text>
          ))}
        </Box>
      )}
    </Paper>
  );
}

function NoSections({ piece }: { piece: Piece }) {
  const suggest = useSuggestSections(piece.id);
  return (
    <>
      <Text color="soft">None yet. Choose bars on the page and give them a letter.</Text>
      <Button mt="6px" size="sm" disabled={suggest.isPending} onClick={() => suggest.mutate(piece.revision)}>
        Suggest sections
      </Button>
      <Notice trouble={suggest.error} />
    </>
  );
}

function HowLong({ piece }: { piece: Piece }) {
  const { new_bars_rounded, bars_printed } = piece.figures;
  const bars = piece.pages.flatMap((page) => page.lines.flatMap((line) => line.bars));
  const count = (...names: string[]) => bars.filter((bar) => names.includes(bar.relation)).length;
  const fresh = count("new");
  const near = count("moved", "rhythm");
  return (
    <Box as="section">
      <PartHead>Is it long?</PartHead>
      <Flex align="baseline" gap="10px" mt="2px">
        <Heading as="p" fontSize="2xl" letterSpacing="-1px" lineHeight={1.1} fontWeight={750}>
          {new_bars_rounded} of {bars_printed}
        </Heading>
        <Text>bars are new</Text>
      </Flex>
      <Flex aria-hidden="true" h="10px" my="6px" bg="shade">
        <Box bg="rail" style={{ width: `${(fresh / bars_printed) * 100}%` }} />
        <Box
          bg="railSoft"
          borderTop="3px solid"
          borderColor="rail"
          style={{ width: `${(near / bars_printed) * 100}%` }}
        />
      </Flex>
      <Text fontSize="sm" color="soft">
        {fresh} new, {near} moved or in the same rhythm, {bars_printed - fresh - near} the same
      </Text>
    </Box>
  );
}

function Sign({ grave }: { grave: boolean }) {
  return (
    <Box
      flex="none"
      w="18px"
      h="18px"
      mt="2px"
      borderRadius="9px"
      border="2px solid"
      borderColor={grave ? "brick" : "brass"}
      color={grave ? "brick" : "brass"}
      fontWeight={800}
      fontSize="12px"
      lineHeight="14px"
      textAlign="center"
      role="img"
      aria-label={grave ? "wrong" : "notice"}
    >
      {grave ? "!" : "i"}
    </Box>
  );
}
