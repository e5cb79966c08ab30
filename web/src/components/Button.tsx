import { type ButtonProps, Button as Plain } from "@chakra-ui/react";

type Props = Omit<ButtonProps, "variant"> & {
  /** go: what one does next; plain; toggle: pressed while it holds; quiet: at
   * hand, but not asking. */
  kind?: "go" | "plain" | "toggle" | "quiet";
};

/** A button is a verb. */
export function Button({ kind = "plain", ...props }: Props) {
  return <Plain variant={kind as never} {...props} />;
}
