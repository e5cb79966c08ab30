import { chakra } from "@chakra-ui/react";
import { Link } from "react-router";

/** The name of a piece or a student, leading to it. */
export const NameLink = chakra(Link, {
  base: {
    fontWeight: 650,
    fontSize: "lg",
    color: "ink",
    textDecoration: "none",
    _hover: { textDecoration: "underline" },
  },
});
