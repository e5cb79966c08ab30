import { Flex } from "@chakra-ui/react";
import { colour } from "../theme/system";
import { t } from "../words";

/** The product's sign: a flight of stairs. */
export function Mark() {
  return (
    <Flex align="center" gap="9px" fontWeight={750} fontSize="lg" letterSpacing="-0.2px">
      <svg width="26" height="22" aria-hidden="true">
        <path d="M1 21V16H8V11H15V6H22V1" fill="none" stroke={colour("rail")} strokeWidth="3" />
      </svg>
      {t("components.mark.stairwell")}
    </Flex>
  );
}
