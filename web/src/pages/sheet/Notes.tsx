import { Box } from "@chakra-ui/react";
import { useStepScore } from "../../api/queries";
import { Engraved } from "../../components/Engraved";
import { Notice } from "../../components/Notice";
import type { Item } from "./useTicks";

// Pixels the notes are set for: a phone held upright.
const WIDE = 330;

/** The bars of a step in notation. */
export function Notes({ token, item }: { token: string; item: Item }) {
  const score = useStepScore(token, item.assignment_id, true);
  if (score.error && !score.data)
    return <Notice trouble={score.error} again={() => score.refetch()} />;
  return (
    <Box mt="8px">
      {item.bars.map((span) => (
        <Engraved key={span.from} score={score.data} from={span.from} to={span.to} width={WIDE} />
      ))}
    </Box>
  );
}
