import { Box, Flex, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import type { Whose } from "../../api/queries";
import { Button } from "../../components/Button";
import { t } from "../../words";
import { Known } from "./Known";
import type { Bench } from "./useBench";

type Props = { id: number; whose: Whose; bench: Bench; onShow: (bar: number) => void };

/** What on the page does not add up, where, and its mend at one press. */
export function Check({ id, whose, bench, onShow }: Props) {
  const { diagnostics, unread, assumed } = bench.piece;
  return (
    <>
      <Box as="section">
        {diagnostics.length === 0 && <Text color="soft">{t("piece.check.the_signs_and_counts_of_the")}</Text>}
        {diagnostics.map((one) => (
          <Flex key={`${one.code}/${one.bar}/${one.message}`} gap="10px" py="4px" align="flex-start">
            <Sign grave={one.grave} />
            <Box>
              {one.message}
              <Flex gap="6px" wrap="wrap" mt="2px">
                {one.bar && (
                  <Button kind="quiet" size="sm" px="0" minH="26px" onClick={() => onShow(one.bar as number)}>
                    {t("piece.check.show_the_bar")}
                  </Button>
                )}
                {one.mend && (
                  <Button
                    size="sm"
                    minH="26px"
                    whiteSpace="normal"
                    textAlign="left"
                    disabled={bench.busy}
                    onClick={() => bench.apply({ put: one.mend?.put, drop: one.mend?.drop })}
                  >
                    {one.mend.words}
                  </Button>
                )}
              </Flex>
            </Box>
          </Flex>
        ))}
      </Box>
      <Known id={id} whose={whose} bench={bench} onShow={onShow} />
      <OfScore title={t("piece.check.assumed_of_the_score")} all={assumed} />
      <OfScore title={t("piece.check.in_the_score_not_used")} all={unread} />
    </>
  );
}

/** What a score held, with its bars. */
function OfScore({ title, all }: { title: string; all: Schemas["Page"]["unread"] }) {
  if (all.length === 0) return null;
  return (
    <Box as="section">
      <Text fontSize="sm" fontWeight={700} color="soft">
        {title}
      </Text>
      {all.map((one) => (
        <Text key={one.what} fontSize="sm">
          {one.what}
          {one.bars.length > 0 && ` (${t("piece.check.bars", { count: one.bars.length, bars: one.bars.join(", ") })})`}
        </Text>
      ))}
    </Box>
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
