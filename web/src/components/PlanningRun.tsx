import { Flex, Text } from "@chakra-ui/react";
import { useStudioSettings } from "../api/queries";
import { t } from "../words";

/** How far the planning of everyone's week is; nothing when none is under way. */
export function PlanningRun() {
  const run = useStudioSettings().data?.run;
  if (!run) return null;
  if (run.finished)
    return run.failed === 0 ? null : (
      <Text color="brick">
        {t("components.planning_run.of_could_not_be_planned_open", {
          failed: run.failed,
          total: run.total,
        })}
      </Text>
    );
  return (
    <Flex gap="8px" align="center" role="status">
      <progress
        value={run.done + run.failed}
        max={run.total}
        aria-label={t("components.planning_run.planning_everyone_s_week")}
      />
      <Text>
        {t("components.planning_run.of_planned", {
          planned: run.done + run.failed,
          total: run.total,
        })}
      </Text>
    </Flex>
  );
}
