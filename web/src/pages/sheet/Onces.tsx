import { Box, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { minutes } from "../../components/dates";
import { Paper } from "../../components/Paper";
import { t } from "../../words";
import type { Once } from "./useTicks";

type Props = { all: Once[]; label: string; onTick?: (once: Once) => void };

/** What is no step and is done once a day, each with a box. */
export function Onces({ all, label, onTick }: Props) {
  if (all.length === 0) return null;
  return (
    <Paper as="section" aria-label={label} mb="10px">
      {all.map((one) => (
        <Box
          key={one.id}
          as="label"
          display="flex"
          gap="12px"
          alignItems="center"
          minH="44px"
          px="14px"
          py="7px"
          cursor={onTick && one.done === 0 ? "pointer" : undefined}
        >
          <input
            type="checkbox"
            checked={one.done > 0}
            disabled={!onTick || one.done > 0}
            onChange={() => onTick?.(one)}
            style={{
              width: 26,
              height: 26,
              flex: "none",
              accentColor: "var(--chakra-colors-ink)",
              opacity: 1,
            }}
          />
          <Box minW={0}>
            <Text fontWeight={650} fontSize="lg" lineHeight={1.25}>
              {one.title}
            </Text>
            <Text color="soft" fontSize="md" lineHeight={1.3}>
              {[...about(one), minutes(one.minutes)].join(" · ")}
            </Text>
          </Box>
        </Box>
      ))}
    </Paper>
  );
}

const about = (one: Once) =>
  "one_of" in one
    ? one.one_of.length > 0
      ? [t("sheet.onces.choose_one_of", { choices: one.one_of.join(", ") })]
      : []
    : [one.notes.join(" "), fingers(one)].filter(Boolean);

const fingers = (one: Schemas["WarmUp"]) =>
  one.right.length > 0 &&
  t("sheet.onces.fingers", { right: one.right.join(" "), left: one.left.join(" ") });
