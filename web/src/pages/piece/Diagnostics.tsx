import { Box, Flex } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import type { Changes } from "../../api/queries";
import { Button } from "../../components/Button";
import { t } from "../../words";

type Props = {
  diagnostics: Schemas["Page"]["diagnostics"];
  onShow: (bar: number) => void;
  onMend?: (mend: Changes) => void;
  busy?: boolean;
};

/**
 * What does not add up, one after another, each with its bar and, where it can be pressed, its
 * mend.
 */
export function Diagnostics({ diagnostics, onShow, onMend, busy }: Props) {
  return (
    <>
      {diagnostics.map((one) => (
        <Flex key={`${one.code}/${one.bar}/${one.message}`} gap="10px" py="4px" align="flex-start">
          <Sign grave={one.grave} />
          <Box>
            {one.message}
            <Flex gap="6px" wrap="wrap" mt="2px">
              {one.bar && (
                <Button
                  kind="quiet"
                  size="sm"
                  px="0"
                  minH="26px"
                  onClick={() => onShow(one.bar as number)}
                >
                  {t("piece.check.show_the_bar")}
                </Button>
              )}
              {one.mend && onMend && (
                <Button
                  size="sm"
                  minH="26px"
                  whiteSpace="normal"
                  textAlign="left"
                  disabled={busy}
                  onClick={() => onMend({ put: one.mend?.put, drop: one.mend?.drop })}
                >
                  {one.mend.words}
                </Button>
              )}
            </Flex>
          </Box>
        </Flex>
      ))}
    </>
  );
}

function Sign({ grave }: { grave: boolean }) {
  return (
    <Box
      flex="none"
      w="18px"
      h="18px"
      mt="2px"
      borderRadius="9px"
      border="2px solid"
      borderColor={grave ? "brick" : "brass"}
      color={grave ? "brick" : "brass"}
      fontWeight={800}
      fontSize="12px"
      lineHeight="14px"
      textAlign="center"
      role="img"
      aria-label={t(grave ? "piece.check.wrong" : "piece.check.notice")}
    >
      {grave ? "!" : "i"}
    </Box>
  );
}
