// @vitest-environment jsdom
import { act, cleanup, renderHook } from "@testing-library/react";
import type { ReactNode } from "react";
import { MemoryRouter } from "react-router";
import { afterEach, expect, test } from "vitest";
import type { Schemas } from "../../api/client";
import { useView } from "./useView";

type Row = Schemas["StudioRow"];

const row = (name: string, more: Partial<Row> = {}) =>
  ({
    name,
    teacher: "Mira",
    class_name: null,
    lesson_weekday: 1,
    outlooks: [],
    concerns: [],
    practised: { done: 0, of: 0 },
    ...more,
  }) as unknown as Row;
const ready = (cautious: string | null, late = false) =>
  ({ outlooks: [{ cautious, late }] }) as unknown as Partial<Row>;

const open = (all: Row[], at = "/studio") =>
  renderHook(() => useView(all), {
    wrapper: ({ children }: { children: ReactNode }) => (
      <MemoryRouter initialEntries={[at]}>{children}</MemoryRouter>
    ),
  });
const names = ({ result }: ReturnType<typeof open>) => result.current.rows.map((one) => one.name);

afterEach(cleanup);

const all = [
  row("Nell", { ...ready("2027-05-01"), practised: { done: 4, of: 5 }, lesson_weekday: 3 }),
  row("abel", {
    ...ready("2027-04-01", true),
    practised: { done: 1, of: 5 },
    teacher: "Oren",
    class_name: "Evening",
  }),
  row("Zora", { ...ready(null), concerns: [{ kind: "stuck", text: "" }] as Row["concerns"] }),
  row("Émile", { practised: { done: 0, of: 5 }, concerns: [{}, {}] as Row["concerns"] }),
];

test.each([
  ["", ["Nell", "abel", "Zora", "Émile"]],
  ["?by=name", ["abel", "Émile", "Nell", "Zora"]],
  // Late ones first, then by the date that holds in most futures; without a date last.
  ["?by=ready", ["abel", "Nell", "Zora", "Émile"]],
  // Where no day was planned there is nothing to be behind with.
  ["?by=practice", ["Émile", "abel", "Nell", "Zora"]],
  ["?by=attention", ["Émile", "Zora", "Nell", "abel"]],
  ["?by=nonsense", ["Nell", "abel", "Zora", "Émile"]],
  ["?teacher=Oren", ["abel"]],
  ["?class=Evening", ["abel"]],
  ["?day=3", ["Nell"]],
  ["?only=attention", ["Zora", "Émile"]],
  ["?only=late", ["abel"]],
  ["?find=%20EL%20", ["Nell", "abel"]],
  ["?find=el&day=3", ["Nell"]],
])("the address %s shows %j", (address, shown) =>
  expect(names(open(all, `/studio${address}`))).toEqual(shown),
);

test("what is chosen stands in the address, and is taken out again", () => {
  const view = open(all);
  act(() => view.result.current.set("find", "zo"));
  act(() => view.result.current.set("by", "name"));
  expect([names(view), view.result.current.of("find"), view.result.current.order]).toEqual([
    ["Zora"],
    "zo",
    "name",
  ]);
  act(() => view.result.current.set("find", ""));
  expect(names(view)).toEqual(["abel", "Émile", "Nell", "Zora"]);
});
