import { Flex, Text } from "@chakra-ui/react";
import { usePlanEveryone, useSetHolidays, useStudioSettings } from "../../api/queries";
import { Button } from "../../parts/Button";
import { Notice } from "../../parts/Notice";
import { Paper } from "../../parts/Paper";
import { Stretches } from "../../parts/Stretches";

/** Planning every week at once, and the way to the holidays. */
export function StudioTools({ open, onOpen }: { open: boolean; onOpen: (open: boolean) => void }) {
  const settings = useStudioSettings();
  const plan = usePlanEveryone();
  const run = settings.data?.run;
  const busy = !!run && !run.finished;
  return (
    <Flex gap="8px" align="center" wrap="wrap">
      {busy && (
        <Flex gap="8px" align="center" role="status">
          <progress value={run.done + run.failed} max={run.total} aria-label="Planning everyone's week" />
          <Text>
            {run.done + run.failed} of {run.total} planned
          </Text>
        </Flex>
      )}
      {run && !busy && run.failed > 0 && (
        <Text color="brick">
          {run.failed} of {run.total} could not be planned. Open those students to see why.
        </Text>
      )}
      <Button disabled={busy || plan.isPending} onClick={() => plan.mutate(undefined)}>
        Plan everyone's week
      </Button>
      <Button aria-expanded={open} onClick={() => onOpen(!open)}>
        Holidays
      </Button>
      <Notice trouble={plan.error} />
    </Flex>
  );
}

/** Days without lessons and practice, for everyone. */
export function Holidays() {
  const settings = useStudioSettings();
  const save = useSetHolidays();
  if (!settings.data) return null;
  return (
    <Paper p="12px 18px" mb="12px" borderColor="rail">
      <Text>Days without lessons and practice. Everyone's week is planned around them.</Text>
      <Stretches legend="Holidays" word="Holiday" all={settings.data.holidays} onChange={(all) => save.mutate(all)} />
      <Notice trouble={save.error} />
    </Paper>
  );
}
