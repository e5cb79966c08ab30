import { chakra } from "@chakra-ui/react";

/** One of a few: small inside a line of text or a table, larger in a bar or a form. */
export const Select = chakra("select", {
  base: {
    bg: "sheet",
    color: "ink",
    border: "1px solid",
    borderColor: "line",
    borderRadius: "3px",
    maxW: "100%",
  },
  variants: {
    size: {
      xs: { fontSize: "sm", py: "1px" },
      sm: { fontSize: "sm", h: "34px", px: "8px" },
      md: { h: "40px", px: "10px" },
    },
  },
  defaultVariants: { size: "xs" },
});
