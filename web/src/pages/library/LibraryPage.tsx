import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { Trash2 } from "lucide-react";
import { useState } from "react";
import { useNavigate } from "react-router";
import type { Schemas } from "../../api/client";
import { useDeletePiece, useLoadScore, useRestorePiece, useShelf, useStudents } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choice } from "../../components/Choice";
import { NameLink } from "../../components/NameLink";
import { Empty, Notice, Waiting } from "../../components/Notice";
import { PageHead, Paper } from "../../components/Paper";
import { May } from "../../components/Rights";
import { TakeBack } from "../../components/TakeBack";
import { t } from "../../words";
import { Suits } from "./Suits";
import { useBringScore } from "./useBringScore";

type Card = Schemas["PieceCard"];

/** Pieces by book and page, each broken down once for the whole studio. */
export default function LibraryPage() {
  const pieces = useShelf();
  const load = useLoadScore();
  const remove = useDeletePiece();
  const students = useStudents();
  const [whom, setWhom] = useState<number | null>(null);
  const go = useNavigate();
  const score = useBringScore(load, (piece: { id: number }) => go(`/library/${piece.id}`));
  const live = (pieces.data ?? []).filter((piece) => !piece.deleted);
  const deleted = (pieces.data ?? []).filter((piece) => piece.deleted);
  const gone = deleted.find((piece) => piece.id === remove.variables);
  const books = [...new Set(live.map((piece) => piece.book ?? ""))];

  return (
    <>
      <PageHead
        title={t("library.library_page.library")}
        about={t("library.library_page.every_piece_is_broken_down_once")}
      >
        {score.input}
        <May to="teach">
          <Button onClick={score.choose} disabled={load.isPending}>
            {load.isPending ? t("library.library_page.reading_the_score") : t("library.library_page.load_a_score")}
          </Button>
          <Button kind="go" onClick={() => go("/library/type")}>
            {t("library.library_page.type_what_is_printed")}
          </Button>
        </May>
      </PageHead>
      <Notice trouble={score.trouble ?? remove.error} />
      {score.questions}
      {gone && <TakeBack id={gone.id} title={gone.title} />}
      <Notice trouble={pieces.error} again={() => pieces.refetch()} />
      {pieces.isPending && <Waiting what={t("library.library_page.the_library")} />}
      {pieces.data?.length === 0 && (
        <Paper>
          <Empty>{t("library.library_page.no_piece_yet_load_a_musicxml")}</Empty>
        </Paper>
      )}
      {live.length > 0 && (students.data ?? []).length > 0 && (
        <Box mb="12px">
          <Choice
            label={t("library.suits.would_it_suit")}
            width="230px"
            value={whom ?? ""}
            onChange={(event) => setWhom(Number(event.target.value) || null)}
          >
            <option value="">{t("library.suits.nobody_in_particular")}</option>
            {students.data
              ?.filter((one) => !one.left_on)
              .map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
          </Choice>
        </Box>
      )}
      {whom !== null && <Suits student={whom} />}
      {(whom === null ? books : []).map((book) => (
        <Shelf
          key={book}
          book={book}
          pieces={live.filter((piece) => (piece.book ?? "") === book)}
          onDelete={(id) => remove.mutate(id)}
        />
      ))}
      <May to="teach">
        <Deleted pieces={deleted} />
      </May>
      <Text fontSize="sm" color="soft" mt="12px">
        {t("library.library_page.enter_bar_ranges_and_signs_of")}
      </Text>
    </>
  );
}

/** What is off the shelf, until it is taken back. */
function Deleted({ pieces }: { pieces: Card[] }) {
  const restore = useRestorePiece();
  if (pieces.length === 0) return null;
  return (
    <Box as="section" mb="16px" aria-label={t("library.library_page.deleted")}>
      <Text as="h2" fontWeight={700} mb="4px">
        {t("library.library_page.deleted")}
      </Text>
      <Paper>
        {pieces.map((piece) => (
          <Flex
            key={piece.id}
            gap="16px"
            px="16px"
            py="6px"
            align="center"
            borderBottom="1px solid"
            borderColor="line"
            _last={{ border: 0 }}
          >
            <Text color="soft" flex="1">
              {piece.title}
              {piece.book && `, ${piece.book}`}
            </Text>
            <Button
              size="sm"
              aria-label={t("library.library_page.take_back_piece", { title: piece.title })}
              onClick={() => restore.mutate(piece.id)}
            >
              {t("library.library_page.take_back")}
            </Button>
          </Flex>
        ))}
      </Paper>
      <Notice trouble={restore.error} />
    </Box>
  );
}

type ShelfProps = { book: string; pieces: Card[]; onDelete: (id: number) => void };

function Shelf({ book, pieces, onDelete }: ShelfProps) {
  return (
    <Box as="section" mb="16px">
      <Text as="h2" fontWeight={700} mb="4px">
        {book || t("library.library_page.not_in_a_book")}
      </Text>
      <Paper>
        {pieces.map((piece) => (
          <Grid
            key={piece.id}
            templateColumns={{ base: "56px 1fr", md: "72px minmax(180px, 1.2fr) 1fr 1.2fr 1fr 36px" }}
            gap="16px"
            px="16px"
            py="9px"
            alignItems="center"
            borderBottom="1px solid"
            borderColor="line"
            _last={{ border: 0 }}
          >
            <Text color="soft">
              {piece.pages.length ? `p. ${[...new Set([piece.pages[0], piece.pages.at(-1)])].join("–")}` : "–"}
            </Text>
            <NameLink to={`/library/${piece.id}`}>{piece.title}</NameLink>
            <Text color="soft">{[...piece.meters, ...piece.keys].join(", ")}</Text>
            <NewBars piece={piece} />
            <Text>
              {piece.sections.length ? (
                piece.sections.join(" ")
              ) : (
                <Text as="span" color="brass">
                  {t("library.library_page.no_sections_yet")}
                </Text>
              )}
            </Text>
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
        <b>{piece.new_bars}</b> {t("library.library_page.of_bars_new", { bars_printed: piece.bars_printed })}{" "}
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
