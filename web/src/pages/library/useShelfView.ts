import type { Schemas } from "../../api/client";
import { useAddress } from "../../components/useAddress";

type Card = Schemas["PieceCard"];
/** Pieces of one book; of all, in an order of their own, where it is null. */
export type ShelfOf = { book: string | null; pieces: Card[] };

/** How the pieces can be put in order. */
export const ORDERS = ["book", "title", "bars"] as const;

const COMPARED = {
  title: (a: Card, b: Card) => a.title.localeCompare(b.title),
  bars: (a: Card, b: Card) => a.new_bars - b.new_bars || a.title.localeCompare(b.title),
};

/** Which pieces are shown and in what order. */
export function useShelfView(all: Card[]) {
  const address = useAddress();
  const order = ORDERS.find((one) => one === address.of("by")) ?? "book";
  const wanted = address.of("find").trim().toLowerCase();
  const shown = all.filter(
    (piece) =>
      (!address.of("book") || (piece.book ?? "") === address.of("book")) &&
      (!address.of("key") || piece.keys.includes(address.of("key"))) &&
      (address.of("only") !== "open" || piece.sections.length === 0) &&
      (!wanted || `${piece.title} ${piece.book}`.toLowerCase().includes(wanted)),
  );
  const books = [...new Set(shown.map((piece) => piece.book ?? ""))];
  const shelves: ShelfOf[] =
    order === "book"
      ? books.map((book) => ({
          book,
          pieces: shown.filter((piece) => (piece.book ?? "") === book),
        }))
      : [{ book: null, pieces: shown.sort(COMPARED[order]) }].filter(
          (shelf) => shelf.pieces.length > 0,
        );
  return { ...address, order, shelves, count: shown.length };
}

export type ShelfView = ReturnType<typeof useShelfView>;
