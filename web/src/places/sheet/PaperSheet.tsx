import { Box } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { dayAndMonth, fullDay, minutes, shortDay } from "../../parts/dates";

type Sheet = Schemas["Sheet"];
type Item = Schemas["SheetItem"];

/** The sheet on paper: one page, a row a step, a box a day, readable in black
 * and white. Only shown when printing. */
export function PaperSheet({ sheet }: { sheet: Sheet }) {
  const rows = new Map<string, Item>();
  for (const day of sheet.days) for (const item of day.items) rows.set(`${item.assignment_id}/${item.step_id}`, item);
  const planned = (key: string, day: Sheet["days"][number]) =>
    day.items.find((item) => `${item.assignment_id}/${item.step_id}` === key);
  return (
    <Box
      display="none"
      css={{
        "@media print": {
          display: "block",
          fontSize: "10.5pt",
          "& table": { width: "100%", borderCollapse: "collapse" },
          "& td, & th": { border: "0.6pt solid #444", padding: "3pt 5pt", textAlign: "left", verticalAlign: "top" },
        },
      }}
    >
      <h1 style={{ fontSize: "18pt", fontWeight: 750 }}>
        {sheet.student}, {sheet.days[0] && `week of ${dayAndMonth(sheet.days[0].date)}`}
      </h1>
      <p style={{ marginBottom: "8pt" }}>
        {sheet.studio}. {sheet.next_lesson && `Next lesson ${fullDay(sheet.next_lesson)}.`} Tick a box for each time.
      </p>
      <table>
        <thead>
          <tr>
            <th>What and where</th>
            {sheet.days.map((day) => (
              <th key={day.date} style={{ width: "11%" }}>
                {shortDay(day.date)} {minutes(day.minutes)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {[...rows].map(([key, item]) => (
            <tr key={key} style={{ breakInside: "avoid" }}>
              <td>
                <b>{item.title}</b> ({item.piece})
                <br />
                {item.place}; {item.repetitions} times{item.tempo && ` at ${item.tempo}`}. Done when {item.done_when}.
              </td>
              {sheet.days.map((day) => {
                const here = planned(key, day);
                return (
                  <td key={day.date} style={{ letterSpacing: "2pt" }}>
                    {here
                      ? Array.from({ length: here.repetitions }, (_, at) => (at < here.done ? "☒" : "☐")).join("")
                      : ""}
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
      {sheet.days.some((day) => day.beside.length > 0) && (
        <p style={{ marginTop: "6pt" }}>
          <b>Besides:</b>{" "}
          {sheet.days
            .flatMap((day) => day.beside.map((one) => `${shortDay(day.date)} ${one.title}, ${minutes(one.minutes)}`))
            .join("; ")}
          .
        </p>
      )}
      <p style={{ marginTop: "8pt", fontSize: "9pt" }}>
        Stop at pain, tingling or numbness and rest; see a doctor or hand specialist if it comes back. Take a break at
        least every 20 to 25 minutes.
      </p>
    </Box>
  );
}
