import { chakra } from "@chakra-ui/react";
import type { Schemas } from "../api/client";
import { dayAndMonth } from "./dates";
import { STATE_WORDS } from "./StateMark";

type Climb = Schemas["Stairs"];

const Table = chakra("table");

export const period = (days: string[]) => {
  const [first, last] = days as [string, string];
  return first === last ? dayAndMonth(first) : `${dayAndMonth(first)} to ${dayAndMonth(last)}`;
};

/** The stairs in words: a row for each step, from the bottom up. */
export function StairsTable({ climb, title }: { climb: Climb; title: string }) {
  return (
    <Table
      w="100%"
      fontSize="sm"
      aria-label={`The stairs of ${title}`}
      css={{
        "& th": { textAlign: "left", paddingRight: "12px" },
        "& td": { paddingRight: "12px", borderTop: "1px solid var(--chakra-colors-line)" },
      }}
    >
      <thead>
        <tr>
          {["Flight", "Step", "State", "Planned", "Really", "Likely", "Cautious"].map((head) => (
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
              <td>{flight.name}</td>
              <th scope="row">{tread.title}</th>
              <td>{STATE_WORDS[tread.state]}</td>
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
