// @vitest-environment jsdom
import { act, cleanup, renderHook } from "@testing-library/react";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { Trouble } from "./client";
import { useQueue } from "./queue";

type Tap = { key: string; box: number };

const trouble = (status: number, code = "x") =>
  new Trouble({ title: code, status, code, detail: code });
let answer: (tap: Tap) => Promise<string>;
let arrived: number[];
let told: string[];
let refused: number[];

const open = () =>
  renderHook(() =>
    useQueue<Tap, string>(
      "taps",
      (tap) => answer(tap),
      (out) => told.push(out),
      ({ box }) => refused.push(box),
    ),
  );
const tap = (box: number): Tap => ({ key: `key ${box}`, box });
const pass = (milliseconds: number) => act(() => vi.advanceTimersByTimeAsync(milliseconds));

beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
  arrived = [];
  told = [];
  refused = [];
  answer = async ({ box }) => {
    arrived.push(box);
    return `box ${box}`;
  };
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

test("everything arrives once, in the order in which it was said", async () => {
  const { result } = open();
  act(() => {
    for (const box of [1, 2, 3]) result.current.push(tap(box));
  });
  await pass(0);
  expect([arrived, told, result.current.waiting]).toEqual([
    [1, 2, 3],
    ["box 1", "box 2", "box 3"],
    [],
  ]);
});

test("what was said without a connection outlives a closed laptop", async () => {
  answer = () => Promise.reject(trouble(0, "offline"));
  const { result, unmount } = open();
  act(() => result.current.push(tap(1)));
  await pass(0);
  act(() => result.current.push(tap(2)));
  await pass(20_000);
  expect([result.current.offline, result.current.waiting.map((one) => one.box)]).toEqual([
    true,
    [1, 2],
  ]);
  unmount();
  answer = async ({ box }) => {
    arrived.push(box);
    return "";
  };
  const again = open();
  await pass(0);
  expect([arrived, again.result.current.waiting, again.result.current.offline]).toEqual([
    [1, 2],
    [],
    false,
  ]);
});

test("it is tried again by itself, and at once when the browser is online", async () => {
  let plug = true;
  answer = async ({ box }) => {
    if (plug) throw trouble(0, "offline");
    arrived.push(box);
    return "";
  };
  const { result } = open();
  act(() => result.current.push(tap(1)));
  await pass(1_000);
  plug = false;
  await act(async () => {
    window.dispatchEvent(new Event("online"));
  });
  expect(arrived).toEqual([1]);
  plug = true;
  act(() => result.current.push(tap(2)));
  await pass(0);
  plug = false;
  await pass(3_000);
  expect(arrived).toEqual([1, 2]);
});

test.each([400, 403, 404, 409, 422])(
  "what is refused for good (%d) is told, and does not stand in the way",
  async (status) => {
    answer = async ({ box }) => {
      if (box === 1) throw trouble(status, "no");
      arrived.push(box);
      return "";
    };
    const { result } = open();
    act(() => {
      result.current.push(tap(1));
      result.current.push(tap(2));
    });
    await pass(0);
    expect(result.current.trouble?.problem.code).toBe("no");
    await pass(3_000);
    expect([arrived, result.current.waiting, result.current.trouble?.problem.code]).toEqual([
      [2],
      [],
      "no",
    ]);
    expect(refused).toEqual([1]);
    act(() => result.current.push(tap(3)));
    await pass(0);
    expect([arrived, result.current.trouble]).toEqual([[2, 3], null]);
  },
);

// Signed out meanwhile (401), too slow a network (408), too many from one house (429) pass.
test.each([401, 408, 429, 500, 502, 503])(
  "what the server could not do just now (%d) is kept and sent again",
  async (status) => {
    let ill = true;
    answer = async ({ box }) => {
      if (ill) throw trouble(status);
      arrived.push(box);
      return "";
    };
    const { result } = open();
    act(() => result.current.push(tap(1)));
    await pass(4_000);
    expect(result.current.waiting.map((one) => one.box)).toEqual([1]);
    ill = false;
    await pass(3_000);
    expect([arrived, result.current.waiting]).toEqual([[1], []]);
  },
);

test("what is said while one is on its way waits for its turn, and no two go at once", async () => {
  const going: (() => void)[] = [];
  let most = 0;
  let now = 0;
  answer = async ({ box }) => {
    most = Math.max(most, ++now);
    await new Promise<void>((go) => going.push(go));
    now -= 1;
    arrived.push(box);
    return "";
  };
  const { result } = open();
  act(() => result.current.push(tap(1)));
  act(() => result.current.push(tap(2)));
  await pass(7_000);
  for (let left = 2; left; left--) await act(async () => going.shift()?.());
  expect([arrived, most]).toEqual([[1, 2], 1]);
});

test("a damaged store is an empty one", () => {
  localStorage.setItem("taps", "[{");
  expect(open().result.current.waiting).toEqual([]);
});
