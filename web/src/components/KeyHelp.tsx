import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { t } from "../words";
import { Button } from "./Button";

type Rows = [keys: string, does: string][];
type Page = { title: string; rows: Rows };

// The screen that is shown says which keys it takes.
let current: Page | null = null;

/** Lists the keys of a screen under `?`. */
export function useHelp(title: string, rows: Rows) {
  useEffect(() => {
    current = { title, rows };
    return () => {
      current = null;
    };
  });
}

/** `?` lists the keys of the screen; `?` or Esc puts them away. */
export function KeyHelp() {
  const [page, setPage] = useState<Page | null>(null);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if ((event.target as Element).matches("input, textarea, select")) return;
      if (event.key === "?") setPage((shown) => (shown ? null : current));
      if (event.key === "Escape") setPage(null);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);
  if (!page) return null;
  return (
    <Box
      role="dialog"
      aria-label={t("components.key_help.keys", { title: page.title })}
      position="fixed"
      right="24px"
      bottom="24px"
      zIndex={20}
      bg="sheet"
      border="1px solid"
      borderColor="ink"
      borderRadius="4px"
      p="14px 18px"
      maxW="420px"
    >
      <Flex justify="space-between" align="baseline" mb="6px">
        <Heading as="h2" fontSize="md" fontWeight={700}>
          {t("components.key_help.keys", { title: page.title })}
        </Heading>
        <Button kind="quiet" size="sm" onClick={() => setPage(null)}>
          {t("components.key_help.close")}
        </Button>
      </Flex>
      {page.rows.map(([keys, does]) => (
        <Flex key={keys} gap="12px" fontSize="sm" py="1px">
          <Text flex="0 0 110px" fontWeight={650}>
            {keys}
          </Text>
          <Text>{does}</Text>
        </Flex>
      ))}
    </Box>
  );
}
