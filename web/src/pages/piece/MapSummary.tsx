import { Box, chakra, Flex, Heading, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { Button } from "../../components/Button";
import { PartHead } from "../../components/Paper";
import type { Range } from "../../components/page/PageMap";
import { t } from "../../words";
import type { Bench } from "./useBench";

type Page = Schemas["Page"];

const Letter = chakra("button", {
  base: {
    minW: "30px",
    minH: "24px",
    textAlign: "left",
    fontWeight: 750,
    cursor: "pointer",
    _hover: { color: "rail" },
  },
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
        <PartHead>{t("piece.map_summary.sections")}</PartHead>
        {piece.sections.length === 0 && (
          <>
            <Text color="soft">{t("piece.map_summary.none_yet_choose_bars_on_the")}</Text>
            <Button
              mt="6px"
              size="sm"
              disabled={bench.busy}
              onClick={() => bench.apply({ suggest: true })}
            >
              {t("piece.map_summary.suggest_sections")}
            </Button>
          </>
        )}
        {piece.sections.map((section) => (
          <Flex key={section.statement} gap="8px" align="baseline">
            <Letter
              type="button"
              onClick={() => onChoose(section.spans[0] as Range)}
              aria-label={t("piece.map_summary.show_section", { label: section.label })}
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
              {t("piece.map_summary.of_new", { new_bars: section.new_bars, bars: section.bars })}
            </Text>
          </Flex>
        ))}
      </Box>
      {piece.joins.length > 0 && <Joins joins={piece.joins} onShow={onShow} />}
    </>
  );
}

type JoinsProps = { joins: Page["joins"]; onShow: (bar: number) => void };

/** Those of which something is known each with what it is; the others together. */
function Joins({ joins, onShow }: JoinsProps) {
  const letter = (join: Page["joins"][number]) => (
    <Letter
      key={`${join.from}${join.to}${join.bar}`}
      type="button"
      minW="62px"
      onClick={() => onShow(join.bar)}
      title={t("piece.map_summary.show_this_join")}
    >
      {join.from} → {join.to}
    </Letter>
  );
  const unknown = joins.filter((join) => !join.words);
  return (
    <Box as="section">
      <PartHead>{t("piece.map_summary.joins")}</PartHead>
      {joins
        .filter((join) => join.words)
        .map((join) => (
          <Flex key={`${join.from}${join.to}${join.bar}`} gap="8px" align="baseline">
            {letter(join)}
            <Text fontSize="sm">
              {join.hard && <b>{t("piece.map_summary.hard")} </b>}
              {join.words}
            </Text>
          </Flex>
        ))}
      {unknown.length > 0 && (
        <Flex gap="0 12px" align="baseline" wrap="wrap">
          {unknown.map(letter)}
          <Text fontSize="sm" flex="1 1 100%">
            {t("piece.map_summary.nothing_is_known", { count: unknown.length })}
          </Text>
        </Flex>
      )}
    </Box>
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
          {t("piece.map_summary.of", { fresh: new_bars_rounded, of: bars_printed })}
        </Heading>
        <Text>{t("piece.map_summary.bars_are_new")}</Text>
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
        {t("piece.map_summary.new_moved_or_in_the_same", {
          fresh,
          near,
          same: bars_printed - fresh - near,
        })}
      </Text>
    </Box>
  );
}
