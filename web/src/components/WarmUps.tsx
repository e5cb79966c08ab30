import { Box, Text } from "@chakra-ui/react";
import type { Schemas } from "../api/client";
import { t } from "../words";
import { minutes } from "./dates";

const fingers = (one: Schemas["WarmUp"]) =>
  t("components.warm_ups.fingers", { right: one.right.join(" "), left: one.left.join(" ") });

/** What begins the day: the notes from the bottom up with the fingers of each
 * hand on them. */
export function WarmUps({ all, small }: { all: Schemas["WarmUp"][] | undefined; small?: boolean }) {
  if (!all || all.length === 0) return null;
  return (
    <Box fontSize="sm" mb="6px" pl="10px" borderLeft="3px solid" borderColor="slate">
      {all.map((one) => (
        <Box key={one.title} mb="3px">
          <Text fontWeight={650}>{one.title}</Text>
          <Text color="soft">
            {[one.notes.join(" "), !small && one.right.length > 0 && fingers(one), minutes(one.minutes)]
              .filter(Boolean)
              .join(" · ")}
          </Text>
        </Box>
      ))}
    </Box>
  );
}
