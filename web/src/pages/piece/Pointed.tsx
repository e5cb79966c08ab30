import type { Schemas } from "../../api/client";
import { ordinal } from "../../components/dates";
import { t } from "../../words";

/** A bar in words: where it is, every time it is played and what differs then. */
export function Pointed({ bar, piece }: { bar: Schemas["Bar"]; piece: Schemas["Page"] }) {
  const times = piece.ribbon
    .filter((visit) => visit.bar === bar.index)
    .map((visit) =>
      [
        ...new Set([
          t("piece.workbench.time", { ordinal: ordinal(visit.time) }),
          visit.reached,
          ...visit.notes,
        ]),
      ]
        .filter(Boolean)
        .join(", "),
    );
  const said = [
    bar.place
      ? t("piece.workbench.bar", { place: bar.place, bar: bar.name })
      : t("piece.workbench.bar_2", { bar: bar.name }),
    t("piece.workbench.counts", { counts: bar.counts }),
    bar.like,
    ...bar.marks,
    times.length === 0
      ? t("piece.workbench.never_played")
      : times.length > 1 || times[0]?.includes(",")
        ? times.join("; ")
        : null,
  ];
  return <span data-pointed>{said.filter(Boolean).join(" · ")}</span>;
}
