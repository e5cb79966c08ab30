import { chakra, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { t } from "../../words";

const List = chakra("ol");
const Line = chakra("li");

/** A routine as a path one can read: its stages one after another, what each is and
 * what it waits for. */
export function StagePath({
  stages,
  chosen,
}: {
  stages: Schemas["Routine"]["stages"];
  chosen: string | null;
}) {
  return (
    <List
      listStyleType="none"
      m={0}
      p={0}
      css={{ counterReset: "stage" }}
      aria-label={t("routines.path.stages")}
    >
      {stages.map((stage) => (
        <Line
          key={stage.key}
          id={`stage-${stage.key}`}
          bg={stage.key === chosen ? "brassSoft" : undefined}
          position="relative"
          pl="38px"
          pb="9px"
          css={{
            counterIncrement: "stage",
            "&::before": {
              content: "counter(stage)",
              position: "absolute",
              left: 0,
              top: "1px",
              width: "24px",
              height: "24px",
              border: "1.5px solid var(--chakra-colors-rail)",
              borderRadius: "3px",
              background: "var(--chakra-colors-sheet)",
              textAlign: "center",
              fontSize: "13px",
              lineHeight: "21px",
              fontWeight: 650,
              zIndex: 1,
            },
            "&:not(:last-child)::after": {
              content: '""',
              position: "absolute",
              left: "11px",
              top: "25px",
              bottom: "-1px",
              borderLeft: "1.5px solid var(--chakra-colors-line)",
            },
          }}
        >
          <Text>
            <b>{stage.name}</b>: {stage.said}.
          </Text>
          <Text fontSize="sm" color="soft">
            {t("routines.stage_table.done_when", { done: stage.done })}
          </Text>
        </Line>
      ))}
    </List>
  );
}
