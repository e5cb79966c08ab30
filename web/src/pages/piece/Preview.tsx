import { Box, Flex, Link, Text } from "@chakra-ui/react";
import type { Whose } from "../../api/queries";
import { Button } from "../../components/Button";
import { PartHead } from "../../components/Paper";
import { t } from "../../words";
import type { Bench } from "./useBench";

/** What one sees when looking the piece over before playing, and the places
 * that may need work of their own. */
type Props = { id: number; whose: Whose; bench: Bench; onShow: (bar: number) => void };

export function Preview({ id, whose, bench, onShow }: Props) {
  const { preview, spots } = bench.piece;
  return (
    <>
      <Box as="section">
        <Link
          href={`/api/pieces/${id}/pencil.pdf?for=${whose}`}
          color="slate"
          target="_blank"
          rel="noreferrer"
        >
          {t("piece.preview.pencil_list")}
        </Link>
      </Box>
      <Box as="section">
        {preview.map((fact) => (
          <Box key={fact.topic + fact.text} py="3px">
            <Flex gap="10px" align="baseline">
              <Text flex="0 0 92px" fontSize="sm" color="soft" fontWeight={650}>
                {fact.topic}
              </Text>
              <Box>
                <Text>
                  {fact.text}
                  {fact.worked_out && (
                    <Box as="span" fontSize="sm" color="soft" fontStyle="italic">
                      {" "}
                      {t("piece.preview.worked_out")}
                    </Box>
                  )}
                  {fact.put.length > 0 && (
                    <Button
                      kind="quiet"
                      size="sm"
                      ml="6px"
                      px="4px"
                      disabled={bench.busy}
                      aria-label={t("piece.preview.note_on_the_page", { what: fact.text })}
                      onClick={() => bench.apply({ put: fact.put })}
                    >
                      {t("piece.preview.note_it")}
                    </Button>
                  )}
                </Text>
                {fact.caution && (
                  <Box
                    as="details"
                    fontSize="sm"
                    borderLeft="3px solid"
                    borderColor="slate"
                    pl="8px"
                    mt="2px"
                  >
                    <Text as="summary" cursor="pointer">
                      {t("piece.preview.take_care_with_this_stretch")}
                    </Text>
                    {fact.caution}
                  </Box>
                )}
              </Box>
            </Flex>
          </Box>
        ))}
      </Box>
      {spots.length > 0 && (
        <Box as="section">
          <PartHead>{t("piece.preview.spots_to_look_at")}</PartHead>
          {spots.map((spot) => (
            <Flex key={spot.mark} align="center" gap="4px" py="2px">
              <Button
                kind="quiet"
                size="sm"
                px="0"
                flex="1"
                justifyContent="flex-start"
                whiteSpace="normal"
                textAlign="left"
                onClick={() => onShow(spot.bar)}
              >
                {spot.words}
              </Button>
              <Button
                size="sm"
                disabled={bench.busy}
                onClick={() => bench.apply({ put: [spot.mark] })}
              >
                {t("piece.preview.mark")}
              </Button>
              <Button
                kind="quiet"
                size="sm"
                disabled={bench.busy}
                onClick={() => bench.apply({ put: [spot.dismiss] })}
              >
                {t("piece.preview.dismiss")}
              </Button>
            </Flex>
          ))}
        </Box>
      )}
    </>
  );
}
