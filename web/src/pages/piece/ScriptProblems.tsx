import { Box, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { t } from "../../words";

/** Lines of a script that were not understood: where, what was expected, and
 * the nearest correct statement. */
export function ScriptProblems({ problems }: { problems: Schemas["ScriptProblem"][] }) {
  return (
    <Box aria-live="polite" mt="8px">
      {problems.map((one) => (
        <Box
          key={`${one.line}/${one.column}`}
          borderLeft="4px solid"
          borderColor="brick"
          bg="brickSoft"
          px="10px"
          py="5px"
          mb="6px"
          fontSize="sm"
        >
          <b>{t("piece.script_problems.line_column", { line: one.line, column: one.column })}</b>{" "}
          {one.text && <>“{one.text.trim()}”: </>}
          {one.message}
          {one.suggestion && (
            <Text>
              {t("piece.script_problems.try")} <b>{one.suggestion}</b>
            </Text>
          )}
        </Box>
      ))}
    </Box>
  );
}
