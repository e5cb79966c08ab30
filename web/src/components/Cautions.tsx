import { Box, Text } from "@chakra-ui/react";
import type { Schemas } from "../api/client";
import { t } from "../words";

/** What to take care of, where it applies: in two lines, the whole text a tap
 * away. */
export function Cautions({ all }: { all: Schemas["Sheet"]["cautions"] }) {
  return (
    <Box
      as="section"
      aria-label={t("components.cautions.take_care")}
      fontSize="md"
      color="soft"
      mt="14px"
    >
      <Text>{all.map((one) => one.short).join(" ")}</Text>
      <details>
        <summary style={{ cursor: "pointer" }}>{t("components.cautions.more")}</summary>
        {all
          .filter((one) => one.full !== one.short)
          .map((one) => (
            <Text key={one.topic} mt="4px">
              {one.full}
            </Text>
          ))}
      </details>
    </Box>
  );
}
