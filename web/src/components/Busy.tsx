import { Box } from "@chakra-ui/react";
import { useEffect, useState, useSyncExternalStore } from "react";
import { inTheAir } from "../api/flying";
import { t } from "../words";

// Milliseconds after which it is shown that something is under way, and said that it takes long.
const SHOWN = 500;
const LONG = 1_500;

/**
 * Whatever the server is asked for and has not answered: a line at the top of the page, and words
 * where it takes long.
 */
export function Busy() {
  const { since } = useSyncExternalStore(inTheAir.watch, inTheAir.now);
  const [, look] = useState(0);
  useEffect(() => {
    if (since === null) return;
    const timers = [SHOWN, LONG].map((after) =>
      setTimeout(() => look((times) => times + 1), since + after + 10 - performance.now()),
    );
    return () => timers.forEach(clearTimeout);
  }, [since]);

  const waited = since === null ? 0 : performance.now() - since;
  return (
    <Box
      role="status"
      position="fixed"
      top="0"
      left="0"
      right="0"
      zIndex={40}
      pointerEvents="none"
      className="no-print"
    >
      {waited > SHOWN && (
        <Box
          h="3px"
          bg="rail"
          css={{
            transformOrigin: "left",
            animation: "stairwell-busy 4s ease-out both",
            "@keyframes stairwell-busy": {
              from: { transform: "scaleX(0.1)" },
              to: { transform: "scaleX(0.9)" },
            },
            "@media (prefers-reduced-motion: reduce)": { animation: "none" },
          }}
        />
      )}
      {waited > LONG && (
        <Box
          mx="auto"
          w="fit-content"
          px="12px"
          py="4px"
          bg="sheet"
          border="1px solid"
          borderColor="line"
          fontSize="sm"
        >
          {t("components.busy.no_answer_yet")}
        </Box>
      )}
    </Box>
  );
}
