import { Flex, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { Find } from "../../components/Find";
import { Pick } from "../../components/Pick";
import { t } from "../../words";
import { ORDERS, type ShelfView } from "./useShelfView";

/** Which pieces the library shows, and in what order. */
export function ShelfBar({ all, view }: { all: Schemas["PieceCard"][]; view: ShelfView }) {
  const books = [...new Set(all.flatMap((piece) => piece.book ?? []))];
  const keys = [...new Set(all.flatMap((piece) => piece.keys))].sort();
  const open = all.some((piece) => piece.sections.length === 0);
  return (
    <Flex gap="10px" align="center" fontSize="sm" wrap="wrap">
      <Find label={t("library.shelf_bar.find")} address={view} />
      {books.length > 1 && (
        <Pick
          name="book"
          address={view}
          label={t("library.shelf_bar.book")}
          none={t("library.shelf_bar.all_books")}
          options={books}
        />
      )}
      {keys.length > 1 && (
        <Pick
          name="key"
          address={view}
          label={t("library.shelf_bar.key")}
          none={t("library.shelf_bar.all_keys")}
          options={keys}
        />
      )}
      {open && (
        <Pick
          name="only"
          address={view}
          label={t("library.shelf_bar.which")}
          none={t("library.shelf_bar.all")}
          options={[["open", t("library.library_page.no_sections_yet")]]}
        />
      )}
      <Pick
        name="by"
        address={view}
        label={t("library.shelf_bar.order")}
        options={ORDERS.map(
          (order) => [order === "book" ? "" : order, t(`library.orders.${order}`)] as const,
        )}
      />
      <Text color="soft" role="status">
        {view.count < all.length &&
          t("library.shelf_bar.of", { shown: view.count, count: all.length })}
      </Text>
    </Flex>
  );
}
