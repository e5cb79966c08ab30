import { Box, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { useScore } from "../../api/queries";
import { Engraved } from "../../components/Engraved";
import { Notice } from "../../components/Notice";
import type { Range } from "../../components/page/PageMap";
import { t } from "../../words";

// Pixels the notes are set for: the side of the page at the desk.
const WIDE = 300;

/** The notes of the chosen bars, engraved from the loaded score. */
export function Excerpt({
  id,
  piece,
  chosen,
}: {
  id: number;
  piece: Schemas["Page"];
  chosen: Range | null;
}) {
  const score = useScore(id, chosen !== null);
  if (!chosen)
    return (
      <Box as="section">
        <Text color="soft">{t("piece.excerpt.choose_bars_or_a_section_on")}</Text>
        {piece.sections.length === 0 && (
          <Text color="soft">{t("piece.excerpt.drag_over_the_bars_or_press")}</Text>
        )}
      </Box>
    );
  if (score.error && !score.data) return <Notice trouble={score.error} />;
  return (
    <Box as="section">
      <Engraved score={score.data} from={chosen.from} to={chosen.to} width={WIDE} />
    </Box>
  );
}
