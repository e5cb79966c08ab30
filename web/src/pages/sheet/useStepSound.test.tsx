// @vitest-environment jsdom
import { act, cleanup, renderHook } from "@testing-library/react";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import type { Sounding } from "../../api/queries";
import type { Item } from "./useTicks";

const played: { stopped: boolean }[] = [];
let arrives: (found: Sounding) => void = () => {};

vi.mock("../../api/queries", () => ({
  loadStepSound: () =>
    new Promise((resolve) => {
      arrives = resolve;
    }),
}));
vi.mock("../../components/player", () => ({
  Player: class {
    stopped = false;
    constructor() {
      played.push(this);
    }
    stop() {
      this.stopped = true;
    }
  },
}));

const { useStepSound } = await import("./useStepSound");
const open = () =>
  renderHook(() => useStepSound("1.1", { assignment_id: 1, step_id: "A.right" } as Item));
const arrive = () => act(async () => arrives({ walk: [] } as unknown as Sounding));
const sounding = () => played.filter((one) => !one.stopped).length;

beforeEach(() => {
  played.length = 0;
});
afterEach(cleanup);

test("beats once the sound is there, and stops when it is pressed again", async () => {
  const { result } = open();
  act(() => void result.current.start("click"));
  await arrive();
  expect([result.current.on, sounding()]).toEqual(["click", 1]);
  act(() => void result.current.start("click"));
  expect([result.current.on, sounding()]).toEqual([null, 0]);
});

test("stays silent when stop is pressed before the sound is there", async () => {
  const { result } = open();
  act(() => void result.current.start("click"));
  act(() => void result.current.start("click"));
  await arrive();
  expect([result.current.on, played]).toEqual([null, []]);
});

test("sounds only what was asked for last", async () => {
  const { result } = open();
  act(() => void result.current.start("click"));
  const first = arrives;
  act(() => void result.current.start("right"));
  await arrive();
  await act(async () => first({ walk: [] } as unknown as Sounding));
  expect([result.current.on, played.length]).toEqual(["right", 1]);
});
