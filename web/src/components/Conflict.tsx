import { Box, Flex, Text } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { t } from "../words";
import { Button } from "./Button";

type Props = {
  /** Who was quicker, and with what. */
  said: string;
  onTheirs: () => void;
  onMine: () => void;
  /** Both put together, where that can be. */
  onBoth?: () => void;
  busy?: boolean;
  /** What they wrote. */
  children?: ReactNode;
};

/** Someone else was quicker. What they wrote is shown beside what was typed, and nothing
 * is thrown away before one has chosen. */
export function Conflict({ said, onTheirs, onMine, onBoth, busy, children }: Props) {
  return (
    <Box
      role="alert"
      bg="brickSoft"
      borderLeft="4px solid"
      borderColor="brick"
      p="8px 12px"
      my="8px"
    >
      <Text fontWeight={650}>{said}</Text>
      {children}
      <Flex gap="8px" mt="6px" wrap="wrap">
        {onBoth && (
          <Button size="sm" kind="go" disabled={busy} onClick={onBoth}>
            {t("components.conflict.put_mine_on_theirs")}
          </Button>
        )}
        <Button size="sm" disabled={busy} onClick={onTheirs}>
          {t("components.conflict.take_theirs")}
        </Button>
        <Button size="sm" kind={onBoth ? "plain" : "go"} disabled={busy} onClick={onMine}>
          {t("components.conflict.keep_mine")}
        </Button>
      </Flex>
    </Box>
  );
}
