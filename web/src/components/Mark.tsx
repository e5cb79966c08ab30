import { Box, Flex } from "@chakra-ui/react";
import { colour } from "../theme/system";
import { t } from "../words";

/**
 * The product's sign: a flight of stairs; `short` where there is no room for its name on a phone.
 */
export function Mark({ short }: { short?: boolean }) {
  return (
    <Flex align="center" gap="9px" fontWeight={750} fontSize="lg" letterSpacing="-0.2px">
      <svg width="26" height="22" aria-hidden="true">
        <path d="M1 21V16H8V11H15V6H22V1" fill="none" stroke={colour("rail")} strokeWidth="3" />
      </svg>
      <Box as="span" display={short ? { base: "none", sm: "inline" } : undefined}>
        {t("components.mark.stairwell")}
      </Box>
    </Flex>
  );
}
