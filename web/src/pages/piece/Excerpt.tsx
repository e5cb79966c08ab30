import { Box, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { useScore } from "../../api/queries";
import { Engraved } from "../../components/Engraved";
import { Notice } from "../../components/Notice";
import type { Range } from "../../components/page/PageMap";

// Pixels the notes are set for: the side of the page at the desk.
const WIDE = 300;

/** The notes of the chosen bars, engraved from the loaded score. */
export function Excerpt({ id, piece, chosen }: { id: number; piece: Schemas["Page"]; chosen: Range | null }) {
  const score = useScore(id, chosen !== null);
  if (!chosen)
    return (
      <Box as="section">
        <Text color="soft">Choose bars or a section on the page to see their notes.</Text>
        {piece.sections.length === 0 && <Text color="soft">Drag over the bars, or press a section's letter.</Text>}
      </Box>
    );
  if (score.error) return <Notice trouble={score.error} />;
  return (
    <Box as="section">
      <Engraved score={score.data} from={chosen.from} to={chosen.to} width={WIDE} />
    </Box>
  );
}
