import { Text } from "@chakra-ui/react";
import type { useAssignmentPreview } from "../../api/queries";
import { dayAndMonth, minutes } from "../../components/dates";
import { latest } from "../../components/latest";
import { t } from "../../words";

type Trial = NonNullable<ReturnType<typeof useAssignmentPreview>["data"]>;

/** What assigning a piece comes to: steps, minutes, and when it would be ready. */
export function ComesTo({ trial }: { trial: Trial }) {
  return (
    <Text role="status" fontWeight={650}>
      {t("piece.assign_piece.comes_to", {
        count: trial.steps,
        target_tempo: trial.target_tempo,
        minutes: minutes(Math.round(trial.minutes)),
      })}{" "}
      {trial.finish
        ? t("piece.assign_piece.practised_alone_done_in_practice_days", {
            count: trial.practice_days,
            day: dayAndMonth(trial.finish),
          })
        : t("piece.assign_piece.one_step_takes_longer_than_any")}{" "}
      {trial.state === "distant" && t("outlook.distant")}
      {trial.likely &&
        t(`piece.assign_piece.${trial.others > 0 ? "likely_ready" : "likely_ready_alone"}`, {
          likely: dayAndMonth(trial.likely),
          cautious: latest(trial.cautious ?? null),
        })}
    </Text>
  );
}
