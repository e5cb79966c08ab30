import { Box, Grid, Text } from "@chakra-ui/react";
import { useRef } from "react";
import { useNavigate } from "react-router";
import type { Schemas } from "../../api/client";
import { useLoadScore, usePieces } from "../../api/queries";
import { Button } from "../../components/Button";
import { NameLink } from "../../components/NameLink";
import { Empty, Notice, Waiting } from "../../components/Notice";
import { PageHead, Paper } from "../../components/Paper";

type Card = Schemas["PieceCard"];

/** Pieces by book and page, each broken down once for the whole studio. */
export default function LibraryPage() {
  const pieces = usePieces();
  const load = useLoadScore();
  const go = useNavigate();
  const picker = useRef<HTMLInputElement>(null);
  const books = [...new Set((pieces.data ?? []).map((piece) => piece.book ?? ""))];

  return (
    <>
      <PageHead title="Library" about="Every piece is broken down once, for all teachers and students of the studio.">
        <input
          ref={picker}
          type="file"
          accept=".musicxml,.xml,.mxl"
          aria-label="Score file"
          hidden
          onChange={(event) => {
            const file = event.target.files?.[0];
            if (file) load.mutate(file, { onSuccess: (piece) => go(`/library/${piece.id}`) });
            event.target.value = "";
          }}
        />
        <Button onClick={() => picker.current?.click()} disabled={load.isPending}>
          {load.isPending ? "Reading the score …" : "Load a score"}
        </Button>
        <Button kind="go" onClick={() => go("/library/type")}>
          Type what is printed
        </Button>
      </PageHead>
      <Notice trouble={load.error} />
      <Notice trouble={pieces.error} again={() => pieces.refetch()} />
      {pieces.isPending && <Waiting what="the library" />}
      {pieces.data?.length === 0 && (
        <Paper>
          <Empty>No piece yet. Load a MusicXML score, or type what is printed on a page of a method book.</Empty>
        </Paper>
      )}
      {books.map((book) => (
        <Shelf key={book} book={book} pieces={(pieces.data ?? []).filter((piece) => (piece.book ?? "") === book)} />
      ))}
      <Text fontSize="sm" color="soft" mt="12px">
        Enter bar ranges and signs of any page freely; load a score only where you may.
      </Text>
    </>
  );
}

function Shelf({ book, pieces }: { book: string; pieces: Card[] }) {
  return (
    <Box as="section" mb="16px">
      <Text as="h2" fontWeight={700} mb="4px">
        {book || "Not in a book"}
      </Text>
      <Paper>
        {pieces.map((piece) => (
          <Grid
            key={piece.id}
            templateColumns={{ base: "56px 1fr", md: "72px minmax(180px, 1.2fr) 1fr 1.2fr 1fr" }}
            gap="16px"
            px="16px"
            py="9px"
            alignItems="center"
            borderBottom="1px solid"
            borderColor="line"
            _last={{ border: 0 }}
          >
            <Text color="soft">{piece.pages.length ? `p. ${piece.pages.join("–")}` : "–"}</Text>
            <NameLink to={`/library/${piece.id}`}>{piece.title}</NameLink>
            <Text color="soft">{[...piece.meters, ...piece.keys].join(", ")}</Text>
            <NewBars piece={piece} />
            <Text>
              {piece.sections.length ? (
                piece.sections.join(" ")
              ) : (
                <Text as="span" color="brass">
                  no sections yet
                </Text>
              )}
            </Text>
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
        <b>{piece.new_bars}</b> of {piece.bars_printed} bars new{" "}
        <Text as="span" color="soft">
          · {piece.bars_played} played
        </Text>
      </Text>
      <Box aria-hidden="true" h="5px" bg="shade" mt="2px">
        <Box h="5px" bg="rail" style={{ width: `${share * 100}%` }} />
      </Box>
    </Box>
  );
}
