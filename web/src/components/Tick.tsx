import { chakra } from "@chakra-ui/react";
import type { ComponentProps } from "react";

/** Yes or no, in words. */
export function Tick({ children, ...field }: ComponentProps<"input">) {
  return (
    <chakra.label
      display="flex"
      gap="8px"
      alignItems="center"
      minH="28px"
      css={{ "@media (pointer: coarse)": { minHeight: "44px" } }}
    >
      <input type="checkbox" {...field} />
      <span>{children}</span>
    </chakra.label>
  );
}
