import { Box, Flex, Text } from "@chakra-ui/react";
import { useKnown, type Whose } from "../../api/queries";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { t } from "../../words";
import type { Bench } from "./useBench";

type Props = { id: number; whose: Whose; bench: Bench; onShow: (bar: number) => void };

/** What all who learnt the page showed of it, and what to mark for the next one. */
export function Known({ id, whose, bench, onShow }: Props) {
  const known = useKnown(id, whose, bench.revision);
  if (known.error) return <Notice trouble={known.error} />;
  if (!known.data?.length) return null;
  return (
    <Box as="section" aria-label={t("piece.known.what_students_showed")}>
      <Text fontSize="sm" fontWeight={700} color="soft">
        {t("piece.known.what_students_showed")}
      </Text>
      {known.data.map((one) => (
        <Box key={`${one.bar}/${one.section}`} py="4px">
          {one.words}
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
            {one.mend && (
              <Button
                size="sm"
                minH="26px"
                disabled={bench.busy}
                onClick={() => bench.apply({ put: one.mend?.put, drop: one.mend?.drop })}
              >
                {one.mend.words}
              </Button>
            )}
          </Flex>
        </Box>
      ))}
    </Box>
  );
}
