import { chakra } from "@chakra-ui/react";

/** One of a few, small, inside a line of text or a table. */
export const Pick = chakra("select", {
  base: {
    bg: "sheet",
    color: "ink",
    border: "1px solid",
    borderColor: "line",
    borderRadius: "3px",
    fontSize: "sm",
    py: "1px",
  },
});
