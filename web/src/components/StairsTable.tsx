import { chakra } from "@chakra-ui/react";
import type { Schemas } from "../api/client";
import { t } from "../words";
import { dayAndMonth } from "./dates";
import { stateWord } from "./StateMark";

type Climb = Schemas["Stairs"];

const Table = chakra("table");

export const period = (days: string[]) => {
  const [first, last] = days as [string, string];
  return first === last
    ? dayAndMonth(first)
    : t("components.stairs_table.to", { from: dayAndMonth(first), to: dayAndMonth(last) });
};

/** A section's letter, or what else a flight is of. */
export const flightName = ({ kind, name }: Climb["flights"][number]) =>
  kind === "section" ? name : t(`components.stairs.flights.${kind}`);

/** The stairs in words: a row for each step, from the bottom up. */
export function StairsTable({ climb, title }: { climb: Climb; title: string }) {
  return (
    <Table
      w="100%"
      fontSize="sm"
      aria-label={t("components.stairs_table.the_stairs_of", { title })}
      css={{
        "& th": { textAlign: "left", paddingRight: "12px" },
        "& td": { paddingRight: "12px", borderTop: "1px solid var(--chakra-colors-line)" },
      }}
    >
      <thead>
        <tr>
          {[
            t("components.stairs_table.flight"),
            t("components.stairs_table.step"),
            t("components.stairs_table.state"),
            t("components.stairs_table.planned"),
            t("components.stairs_table.really"),
            t("components.stairs_table.likely"),
            t("components.stairs_table.cautious"),
          ].map((head) => (
            <th scope="col" key={head}>
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {climb.flights.flatMap((flight) =>
          flight.treads.map((tread) => (
            <tr key={tread.id}>
              <td>{flightName(flight)}</td>
              <th scope="row">{tread.title}</th>
              <td>{stateWord(tread.state)}</td>
              {[tread.planned, tread.real, tread.likely, tread.cautious].map((days, at) => (
                <td key={at}>{days ? period(days) : "–"}</td>
              ))}
            </tr>
          )),
        )}
      </tbody>
    </Table>
  );
}
