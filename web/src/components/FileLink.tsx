import { Link, type LinkProps } from "@chakra-ui/react";

/** What is saved as a file when it is pressed. */
export function FileLink(props: LinkProps) {
  return (
    <Link
      download
      display="inline-block"
      minH="24px"
      fontWeight={650}
      color="slate"
      textDecoration="underline"
      textUnderlineOffset="3px"
      {...props}
    />
  );
}
