import { Box } from "@chakra-ui/react";
import { Button } from "../../components/Button";
import { t } from "../../words";
import type { Bench } from "./useBench";

/** Whether what one sees is stored, always in sight. */
export function SavingState({ bench }: { bench: Bench }) {
  const wrong = ["stopped", "stale", "offline"].includes(bench.saving);
  return (
    <Box role="status" alignSelf="center" fontSize="sm" color={wrong ? "brick" : "soft"} fontWeight={wrong ? 650 : 400}>
      {bench.readable ? t(`piece.saving_state.${bench.saving}`) : t("piece.saving_state.not_saved_no_line_says_how")}
      {bench.saving === "stopped" && (
        <Button kind="quiet" size="sm" onClick={bench.again}>
          {t("piece.saving_state.try_again")}
        </Button>
      )}
    </Box>
  );
}
