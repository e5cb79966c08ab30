import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useEffect, useState } from "react";
import { useLocation } from "react-router";
import { t } from "../words";
import { Button } from "./Button";
import { guidedBy } from "./guided";
import { NameLink } from "./NameLink";

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

// What a button of the frame asks for.
const ASKED = "stairwell-help";
export const askHelp = () => window.dispatchEvent(new Event(ASKED));

/**
 * `?` lists the keys of the screen and leads to its part of the guide; `?` or Esc puts them away.
 */
export function KeyHelp() {
  const { pathname } = useLocation();
  const [page, setPage] = useState<Page | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: of the screen one came from
  useEffect(() => setPage(null), [pathname]);
  useEffect(() => {
    const toggle = () => setPage((shown) => (shown ? null : (current ?? { title: "", rows: [] })));
    const onKey = (event: KeyboardEvent) => {
      if ((event.target as Element).matches("input, textarea, select")) return;
      if (event.key === "?") toggle();
      if (event.key === "Escape") setPage(null);
    };
    window.addEventListener("keydown", onKey);
    window.addEventListener(ASKED, toggle);
    return () => {
      window.removeEventListener("keydown", onKey);
      window.removeEventListener(ASKED, toggle);
    };
  }, []);
  if (!page) return null;
  return (
    <Box
      role="dialog"
      aria-label={t("components.key_help.keys", {
        title: page.title || t("components.key_help.this_screen"),
      })}
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
          {t("components.key_help.keys", {
            title: page.title || t("components.key_help.this_screen"),
          })}
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
      <Box mt="8px">
        <NameLink fontSize="md" to={guidedBy(pathname)}>
          {t("components.key_help.in_the_guide")}
        </NameLink>
      </Box>
    </Box>
  );
}
