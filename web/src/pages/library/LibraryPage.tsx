import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { useNavigate } from "react-router";
import type { Schemas } from "../../api/client";
import {
  useDeletePiece,
  useLoadScore,
  useRestorePiece,
  useShelf,
  useStudents,
} from "../../api/queries";
import { Button } from "../../components/Button";
import { Choice } from "../../components/Choice";
import { Empty, Notice, Waiting } from "../../components/Notice";
import { PageHead, Paper } from "../../components/Paper";
import { May } from "../../components/Rights";
import { TakeBack } from "../../components/TakeBack";
import { t } from "../../words";
import { Parcels } from "./Parcels";
import { Shelf } from "./Shelf";
import { ShelfBar } from "./ShelfBar";
import { Suits } from "./Suits";
import { useBringScore } from "./useBringScore";
import { useShelfView } from "./useShelfView";

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
  const view = useShelfView(live);

  return (
    <>
      <PageHead
        title={t("library.library_page.library")}
        about={t("library.library_page.every_piece_is_broken_down_once")}
      >
        {score.input}
        <May to="teach">
          <Button onClick={score.choose} disabled={load.isPending}>
            {load.isPending
              ? t("library.library_page.reading_the_score")
              : t("library.library_page.load_a_score")}
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
      {live.length > 0 && (
        <Flex gap="10px 24px" mb="12px" align="end" wrap="wrap">
          {students.data?.length !== 0 && (
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
          )}
          {whom === null && <ShelfBar all={live} view={view} />}
        </Flex>
      )}
      {whom !== null && <Suits student={whom} />}
      {(whom === null ? view.shelves : []).map((shelf) => (
        <Shelf key={shelf.book} {...shelf} onDelete={(id) => remove.mutate(id)} />
      ))}
      <May to="teach">
        <Deleted pieces={deleted} />
        <Parcels pieces={live} />
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
