import { Box } from "@chakra-ui/react";
import { Button } from "../../components/Button";
import type { Bench } from "./useBench";

const WORDS = {
  saved: "Saved",
  waiting: "Not saved yet",
  saving: "Saving …",
  offline: "No connection: kept in this browser until it is back",
  stopped: "Not saved",
  stale: "Changed by someone else",
};

/** Whether what one sees is stored, always in sight. */
export function SavingState({ bench }: { bench: Bench }) {
  const wrong = ["stopped", "stale", "offline"].includes(bench.saving);
  return (
    <Box role="status" alignSelf="center" fontSize="sm" color={wrong ? "brick" : "soft"} fontWeight={wrong ? 650 : 400}>
      {bench.readable ? WORDS[bench.saving] : "Not saved: no line says how many bars there are"}
      {bench.saving === "stopped" && (
        <Button kind="quiet" size="sm" onClick={bench.again}>
          Try again
        </Button>
      )}
    </Box>
  );
}
