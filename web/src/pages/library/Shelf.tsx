import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { Trash2 } from "lucide-react";
import type { Schemas } from "../../api/client";
import { Button } from "../../components/Button";
import { NameLink } from "../../components/NameLink";
import { Paper } from "../../components/Paper";
import { May } from "../../components/Rights";
import { lineOf, tintOf } from "../../theme/system";
import { t } from "../../words";
import type { ShelfOf } from "./useShelfView";

type Card = Schemas["PieceCard"];

/** Pieces under the name of their book, or under none where they stand in another order. */

export function Shelf({ book, pieces, onDelete }: ShelfOf & { onDelete: (id: number) => void }) {
  return (
    <Box as="section" mb="16px">
      {book !== null && (
        <Text as="h2" fontWeight={700} mb="4px">
          {book || t("library.library_page.not_in_a_book")}
        </Text>
      )}
      <Paper>
        {pieces.map((piece) => (
          <Grid
            key={piece.id}
            templateColumns={{
              base: "56px 1fr",
              md: "72px minmax(180px, 1.2fr) 1fr 1.2fr 1fr 36px",
            }}
            gap="16px"
            px="16px"
            py="9px"
            alignItems="center"
            borderBottom="1px solid"
            borderColor="line"
            _last={{ border: 0 }}
          >
            <Text color="soft">
              {piece.pages.length
                ? `p. ${[...new Set([piece.pages[0], piece.pages.at(-1)])].join("–")}`
                : "–"}
            </Text>
            <Box>
              <NameLink to={`/library/${piece.id}`}>{piece.title}</NameLink>
              {book === null && (
                <Text color="soft" fontSize="sm">
                  {piece.book}
                </Text>
              )}
            </Box>
            <Text color="soft">{[...piece.meters, ...piece.keys].join(", ")}</Text>
            <NewBars piece={piece} />
            <Sections of={piece.sections} />
            <May to="teach">
              <Button
                kind="quiet"
                size="sm"
                px="6px"
                aria-label={t("library.library_page.delete_piece", { title: piece.title })}
                title={t("library.library_page.delete_piece", { title: piece.title })}
                onClick={() => onDelete(piece.id)}
              >
                <Trash2 size={16} />
              </Button>
            </May>
          </Grid>
        ))}
      </Paper>
    </Box>
  );
}

function NewBars({ piece }: { piece: Card }) {
  const share = piece.new_bars / piece.bars_printed;
  return (
    <Box>
      <Text>
        <b>{piece.new_bars}</b>{" "}
        {t("library.library_page.of_bars_new", { bars_printed: piece.bars_printed })}{" "}
        <Text as="span" color="soft">
          {t("library.library_page.played", { bars_played: piece.bars_played })}
        </Text>
      </Text>
      <Box aria-hidden="true" h="5px" bg="shade" mt="2px">
        <Box h="5px" bg="rail" style={{ width: `${share * 100}%` }} />
      </Box>
    </Box>
  );
}

/** The letters in their tints, as they stand on the page. */
function Sections({ of }: { of: string[] }) {
  if (of.length === 0)
    return <Text color="brass">{t("library.library_page.no_sections_yet")}</Text>;
  return (
    <Flex gap="3px" wrap="wrap">
      {of.map((section) => (
        <Text
          key={section}
          as="span"
          px="6px"
          fontSize="sm"
          fontWeight={650}
          borderBottom={`1.5px ${lineOf(section)}`}
          borderColor="ink"
          style={{ background: tintOf(section) }}
        >
          {section}
        </Text>
      ))}
    </Flex>
  );
}
