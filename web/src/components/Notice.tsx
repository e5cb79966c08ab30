import { Box, Heading, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import type { Trouble } from "../api/client";
import { t } from "../words";
import { Button } from "./Button";

/** The one way to show an error: what, where, and how to mend it. */
export function Notice({
  trouble,
  again,
}: {
  trouble: Trouble | null | undefined;
  again?: () => void;
}) {
  if (!trouble) return null;
  return (
    <Box
      role="alert"
      bg="brickSoft"
      borderLeft="4px solid"
      borderColor="brick"
      px="12px"
      py="8px"
      my="8px"
      borderRadius="2px"
    >
      <Text fontWeight={650}>{trouble.problem.title}</Text>
      <Text>{trouble.problem.detail}</Text>
      {again && (
        <Button mt="6px" size="sm" onClick={again}>
          {t("components.notice.try_again")}
        </Button>
      )}
    </Box>
  );
}

/** Anything over half a second shows that it is under way. */
export function Waiting({ what }: { what: string }) {
  return (
    <Text role="status" color="soft" py="12px">
      {t("components.notice.opening", { what })}
    </Text>
  );
}

/** An empty place says what to do first. */
export function Empty({ children }: { children: ReactNode }) {
  return (
    <Text color="soft" py="16px" px="16px">
      {children}
    </Text>
  );
}

/** A place that cannot be shown, and why. */
export function Lost({ trouble, again }: { trouble: Trouble; again: () => void }) {
  return (
    <>
      <Heading as="h1" fontSize="1.75rem" fontWeight={750} letterSpacing="-0.5px">
        {t("components.notice.this_cannot_be_shown")}
      </Heading>
      <Notice trouble={trouble} again={again} />
    </>
  );
}
