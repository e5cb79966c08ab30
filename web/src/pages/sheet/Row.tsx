import { Box, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { t } from "../../words";
import type { DayRow } from "./rows";

/** A row of the week on its day, with all it holds; of a row of one thing that says it all. */
export function RowCard({ row: { row, items }, children }: { row: DayRow; children: ReactNode }) {
  if (!row || (items.length === 1 && !row.short_day)) return children;
  return (
    <Box role="group" aria-label={row.title} mt="6px" mb="10px">
      <Text fontSize="md" color="soft" fontWeight={650} mb="2px">
        {row.short_day && (
          <Text as="span" color="rail" title={t("sheet.rows.on_a_short_day")}>
            ◆{" "}
          </Text>
        )}
        {row.title}
      </Text>
      {children}
    </Box>
  );
}
