import { Box, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import type { Whose } from "../../api/queries";
import { t } from "../../words";
import { Diagnostics } from "./Diagnostics";
import { Known } from "./Known";
import type { Bench } from "./useBench";

type Props = { id: number; whose: Whose; bench: Bench; onShow: (bar: number) => void };

/** What on the page does not add up, where, and its mend at one press. */
export function Check({ id, whose, bench, onShow }: Props) {
  const { diagnostics, unread, assumed } = bench.piece;
  return (
    <>
      <Box as="section">
        {diagnostics.length === 0 && (
          <Text color="soft">{t("piece.check.the_signs_and_counts_of_the")}</Text>
        )}
        <Diagnostics
          diagnostics={diagnostics}
          onShow={onShow}
          onMend={bench.apply}
          busy={bench.busy}
        />
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
          {one.bars.length > 0 &&
            ` (${t("piece.check.bars", { count: one.bars.length, bars: one.bars.join(", ") })})`}
        </Text>
      ))}
    </Box>
  );
}
