import { Box } from "@chakra-ui/react";
import { t } from "../words";
import { Button } from "./Button";
import type { Saving } from "./useAutosave";

type Props = {
  saving: Saving;
  again: () => void;
  /** Said instead, where there is more to say. */
  said?: string | null;
};

/** Whether what one sees is stored, always in sight. */
export function SavingState({ saving, again, said }: Props) {
  const wrong = ["stopped", "stale", "offline"].includes(saving);
  return (
    <Box
      role="status"
      alignSelf="center"
      fontSize="sm"
      color={wrong ? "brick" : "soft"}
      fontWeight={wrong ? 650 : 400}
    >
      {said ?? t(`components.saving_state.${saving}`)}
      {saving === "stopped" && (
        <Button kind="quiet" size="sm" onClick={again}>
          {t("components.notice.try_again")}
        </Button>
      )}
    </Box>
  );
}
