import { Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { fullDay } from "../../components/dates";
import { Paper } from "../../components/Paper";
import { t } from "../../words";

/** What was told after the last lesson. */
export function Told({ recap }: { recap: Schemas["Sheet"]["recap"] }) {
  if (!recap) return null;
  return (
    <Paper as="section" aria-label={t("sheet.told.recap")} px="14px" mt="10px">
      <details>
        <summary style={{ cursor: "pointer", minHeight: 44, paddingTop: 10, fontWeight: 650 }}>
          {t("sheet.told.after_the_lesson", { day: fullDay(recap.day) })}
        </summary>
        <Text fontSize="lg" whiteSpace="pre-line" overflowWrap="anywhere" pb="12px">
          {recap.text}
        </Text>
      </details>
    </Paper>
  );
}
