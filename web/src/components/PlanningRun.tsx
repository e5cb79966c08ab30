import { Flex, Text } from "@chakra-ui/react";
import { useStudioSettings } from "../api/queries";

/** How far the planning of everyone's week is; nothing when none is under way. */
export function PlanningRun() {
  const run = useStudioSettings().data?.run;
  if (!run) return null;
  if (run.finished)
    return run.failed === 0 ? null : (
      <Text color="brick">
        {run.failed} of {run.total} could not be planned. Open those students to see why.
      </Text>
    );
  return (
    <Flex gap="8px" align="center" role="status">
      <progress value={run.done + run.failed} max={run.total} aria-label="Planning everyone's week" />
      <Text>
        {run.done + run.failed} of {run.total} planned
      </Text>
    </Flex>
  );
}
