import { Box, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { Button } from "../../components/Button";
import { fullDay } from "../../components/dates";
import { Paper } from "../../components/Paper";
import { t } from "../../words";

type Recap = NonNullable<Schemas["Sheet"]["recap"]>;

/** What was told after the last lesson, and after those before it. */
export function Told({
  recap,
  before = [],
  print,
}: {
  recap: Recap | null;
  before?: Recap[];
  /** The address of the week with these recaps on paper. */
  print: string;
}) {
  if (!recap) return null;
  return (
    <Paper as="section" aria-label={t("sheet.told.recap")} px="14px" mt="10px">
      {[recap, ...before].map((one) => (
        <details key={one.day}>
          <summary
            style={{
              cursor: "pointer",
              minHeight: 44,
              paddingTop: 10,
              fontWeight: one === recap ? 650 : 400,
            }}
          >
            {t("sheet.told.after_the_lesson", { day: fullDay(one.day) })}
          </summary>
          <Text fontSize="lg" whiteSpace="pre-line" overflowWrap="anywhere" pb="12px">
            {one.text}
          </Text>
        </details>
      ))}
      <Box pb="12px">
        <Button onClick={() => window.open(print, "_blank")}>{t("sheet.told.print")}</Button>
      </Box>
    </Paper>
  );
}
