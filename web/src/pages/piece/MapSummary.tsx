import { Box, chakra, Flex, Heading, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { Button } from "../../components/Button";
import { PartHead } from "../../components/Paper";
import type { Range } from "../../components/page/PageMap";
import type { Bench } from "./useBench";

type Page = Schemas["Page"];

const Letter = chakra("button", {
  base: { minW: "30px", textAlign: "left", fontWeight: 750, cursor: "pointer", _hover: { color: "rail" } },
});

/** How long it really is, its sections, and where they join. */
export function MapSummary({
  bench,
  onChoose,
  onShow,
}: {
  bench: Bench;
  onChoose: (range: Range) => void;
  onShow: (bar: number) => void;
}) {
  const { piece } = bench;
  return (
    <>
      <HowLong piece={piece} />
      <Box as="section">
        <PartHead>Sections</PartHead>
        {piece.sections.length === 0 && (
          <>
            <Text color="soft">None yet. Choose bars on the page and give them a letter.</Text>
            <Button mt="6px" size="sm" disabled={bench.busy} onClick={() => bench.apply({ suggest: true })}>
              Suggest sections
            </Button>
          </>
        )}
        {piece.sections.map((section) => (
          <Flex key={section.statement} gap="8px" align="baseline">
            <Letter
              type="button"
              onClick={() => onChoose(section.spans[0] as Range)}
              aria-label={`Show section ${section.label}`}
            >
              {section.label}
            </Letter>
            <Box>
              <Text as="span">{section.spans.map((span) => span.names).join(", ")}</Text>{" "}
              <Text as="span" color="soft">
                {section.words}
              </Text>
              {section.notes.map((note) => (
                <Text key={note} fontSize="sm" color="soft">
                  {note}
                </Text>
              ))}
            </Box>
            <Text ml="auto" fontSize="sm" color="soft" whiteSpace="nowrap">
              {section.new_bars} of {section.bars} new
            </Text>
          </Flex>
        ))}
      </Box>
      {piece.joins.length > 0 && (
        <Box as="section">
          <PartHead>Joins</PartHead>
          {piece.joins.map((join) => (
            <Flex key={`${join.from}${join.to}${join.bar}`} gap="8px" align="baseline">
              <Letter type="button" minW="62px" onClick={() => onShow(join.bar)} title="Show this join">
                {join.from} → {join.to}
              </Letter>
              <Text fontSize="sm">
                {join.hard && <b>hard: </b>}
                {join.words || "nothing is known of it"}
              </Text>
            </Flex>
          ))}
        </Box>
      )}
    </>
  );
}

function HowLong({ piece }: { piece: Page }) {
  const { new_bars_rounded, bars_printed } = piece.figures;
  const bars = piece.pages.flatMap((page) => page.lines.flatMap((line) => line.bars));
  const count = (...names: string[]) => bars.filter((bar) => names.includes(bar.relation)).length;
  const fresh = count("new");
  const near = count("moved", "rhythm");
  return (
    <Box as="section">
      <Flex align="baseline" gap="10px">
        <Heading as="p" fontSize="2xl" letterSpacing="-1px" lineHeight={1.1} fontWeight={750}>
          {new_bars_rounded} of {bars_printed}
        </Heading>
        <Text>bars are new</Text>
      </Flex>
      <Flex aria-hidden="true" h="10px" my="5px" bg="shade">
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
