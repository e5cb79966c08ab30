import { Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { duration } from "../../components/dates";
import { t } from "../../words";

/** How long a piece is as it is played. */
export function Figures({ piece }: { piece: Schemas["Page"] }) {
  const { bars_played, bars_printed, counts_played, seconds, target_tempo, page_turns } =
    piece.figures;
  return (
    <>
      <Text as="b" color="ink">
        {t("piece.workbench.bars", { count: bars_played })}
      </Text>{" "}
      {[
        t("piece.workbench.of_printed", { bars_printed }),
        t("piece.workbench.counts", { counts: counts_played }),
        t("piece.workbench.lasts", { duration: duration(seconds), target_tempo }),
        page_turns > 0 && t("piece.workbench.page_turns", { count: page_turns }),
      ]
        .filter(Boolean)
        .join(" · ")}
    </>
  );
}
