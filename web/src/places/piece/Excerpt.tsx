import { Box, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import type { Schemas } from "../../api/client";
import { useScore } from "../../api/queries";
import { Notice, Waiting } from "../../parts/Notice";
import type { Range } from "../../parts/page/PageMap";
import { engrave } from "./engraving";

/** The notes of the chosen bars, engraved from the loaded score; the engraver
 * is loaded when it is first needed. */
export function Excerpt({ id, piece, chosen }: { id: number; piece: Schemas["Page"]; chosen: Range | null }) {
  const score = useScore(id, chosen !== null);
  const [drawn, setDrawn] = useState<{ of: string; svg: string } | null>(null);
  const [failed, setFailed] = useState(false);
  const of = chosen ? `${chosen.from}-${chosen.to}` : "";

  useEffect(() => {
    if (!score.data || !of) return;
    let current = true;
    const [from, to] = of.split("-").map(Number) as [number, number];
    setFailed(false);
    engrave(score.data, from, to)
      .then((svg) => current && setDrawn({ of, svg }))
      .catch(() => current && setFailed(true));
    return () => {
      current = false;
    };
  }, [score.data, of]);

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
      {failed && <Text color="brick">These bars cannot be engraved from the score as it was loaded.</Text>}
      {!failed && drawn?.of !== of && <Waiting what="the notes" />}
      {drawn && (
        <Box
          role="img"
          aria-label={`The notes of bars ${of}`}
          bg="white"
          p="6px"
          borderRadius="3px"
          css={{
            "& svg": { width: "100%", height: "auto", color: "black" },
            "& ellipse, & path, & polygon, & polyline, & rect": { stroke: "currentColor" },
          }}
          // biome-ignore lint/security/noDangerouslySetInnerHtml: drawn by the engraver in this page from the studio's own score
          dangerouslySetInnerHTML={{ __html: drawn.svg }}
        />
      )}
    </Box>
  );
}
