// @vitest-environment jsdom
import { act, cleanup, renderHook } from "@testing-library/react";
import { useState } from "react";
import { afterEach, beforeEach, expect, test, vi } from "vitest";
import type { Trouble } from "../api/client";
import { Server } from "./autosaveServer.testing";
import { type Stored, useAutosave } from "./useAutosave";

let server: Server;

/** As react-query's mutations are. */
function useSending() {
  const [state, setState] = useState<{
    isPending: boolean;
    error: Trouble | null;
    variables?: Stored<string>;
  }>({
    isPending: false,
    error: null,
  });
  const mutateAsync = async (variables: Stored<string>) => {
    setState({ isPending: true, error: null, variables });
    try {
      const out = await server.put(variables);
      setState({ isPending: false, error: null, variables });
      return out;
    } catch (error) {
      setState({ isPending: false, error: error as Trouble, variables });
      throw error;
    }
  };
  const [reset] = useState(() => () => setState({ isPending: false, error: null }));
  return { ...state, variables: state.variables, mutateAsync, reset };
}

const open = (ready: boolean | "unknown" = true) =>
  renderHook(
    ({ stored, ready }) =>
      useAutosave<string, { version: number }, Stored<string> & { by: string | null }>({
        shelf: "shelf",
        stored,
        sending: useSending(),
        versionOf: (out) => out.version,
        theirs: (error) =>
          error?.problem.code === "stale"
            ? { value: server.text, version: server.version, by: server.by }
            : null,
        ready,
        rest: 500,
      }),
    { initialProps: { stored: { value: server.text, version: server.version }, ready } },
  );

const pass = (milliseconds: number) => act(() => vi.advanceTimersByTimeAsync(milliseconds));
const kept = () => JSON.parse(localStorage.getItem("shelf") ?? "null")?.typed ?? null;

beforeEach(() => {
  vi.useFakeTimers();
  localStorage.clear();
  server = new Server();
});
afterEach(() => {
  cleanup();
  vi.useRealTimers();
});

test("what is typed is saved once one rests, and not at every key", async () => {
  const { result } = open();
  expect(result.current.state).toBe("saved");
  for (const typed of ["n", "ne", "new"]) {
    act(() => result.current.set(typed));
    await pass(300);
    expect([result.current.state, kept()]).toEqual(["waiting", typed]);
  }
  await pass(300);
  expect([server.seen, result.current.state, result.current.version, kept()]).toEqual([
    ["new"],
    "saved",
    2,
    null,
  ]);
});

test("what is typed while it is being saved is saved after it, over the version that gave", async () => {
  const { result } = open();
  server.slow = true;
  act(() => result.current.set("one"));
  await pass(600);
  expect(result.current.state).toBe("saving");
  act(() => result.current.set("one two"));
  await pass(600);
  expect(server.seen).toEqual([]);
  server.slow = false;
  await act(async () => server.answer());
  await pass(600);
  expect([server.seen, server.text, result.current.state]).toEqual([
    ["one", "one two"],
    "one two",
    "saved",
  ]);
});

test("without a connection it stays in this browser, and is saved when the plug is back", async () => {
  const { result, unmount } = open();
  server.plug = true;
  act(() => result.current.set("typed offline"));
  await pass(600);
  expect([result.current.state, result.current.trouble, kept()]).toEqual([
    "offline",
    null,
    "typed offline",
  ]);
  await pass(10_000);
  expect(result.current.state).toBe("offline");
  unmount();
  await pass(0);
  // Another day, in the same browser.
  const again = open();
  expect([again.result.current.value, server.text]).toEqual(["typed offline", "old"]);
  await pass(0);
  server.plug = false;
  await pass(3_600);
  expect([server.text, again.result.current.state, kept()]).toEqual([
    "typed offline",
    "saved",
    null,
  ]);
});

test("the browser says that it is online again, and it is tried at once", async () => {
  const { result } = open();
  server.plug = true;
  act(() => result.current.set("x"));
  await pass(600);
  server.plug = false;
  await act(async () => {
    window.dispatchEvent(new Event("online"));
  });
  await pass(0);
  expect([server.text, result.current.state]).toEqual(["x", "saved"]);
});

test("what is refused is not sent again by itself, but typed on it is", async () => {
  const { result } = open();
  server.ill = true;
  act(() => result.current.set("nonsense"));
  await pass(5_000);
  expect([server.seen, result.current.state, result.current.trouble?.problem.code]).toEqual([
    ["nonsense"],
    "stopped",
    "script",
  ]);
  server.ill = false;
  act(() => result.current.set("sense"));
  await pass(600);
  expect([server.text, result.current.state]).toEqual(["sense", "saved"]);
});

test("what cannot be saved as it stands waits until it can", async () => {
  const { result, rerender } = open(false);
  act(() => result.current.set("half a line"));
  await pass(2_000);
  expect([server.seen, result.current.state]).toEqual([[], "waiting"]);
  rerender({ stored: { value: "old", version: 1 }, ready: true });
  await pass(600);
  expect(server.text).toBe("half a line");
});

for (const [whose, text] of [
  ["mine", "mine"],
  ["theirs", "theirs"],
  ["both", "theirs and mine"],
] as const)
  test(`someone else was quicker: nothing is written over, and ${whose} can be taken`, async () => {
    const { result } = open();
    Object.assign(server, { text: "theirs", version: 2, by: "Oren" });
    act(() => result.current.set("mine"));
    await pass(5_000);
    expect([
      server.text,
      result.current.state,
      result.current.stale?.by,
      result.current.value,
    ]).toEqual(["theirs", "stale", "Oren", "mine"]);
    expect([server.seen.length, kept()]).toEqual([1, "mine"]);
    act(() => result.current.settle(text));
    await pass(600);
    expect([server.text, result.current.value, result.current.state, kept()]).toEqual([
      text,
      text,
      "saved",
      null,
    ]);
  });

test("what someone else wrote comes in where nothing was typed", async () => {
  const { result, rerender } = open();
  rerender({ stored: { value: "theirs", version: 2 }, ready: true });
  await pass(0);
  expect([result.current.value, result.current.version, result.current.state]).toEqual([
    "theirs",
    2,
    "saved",
  ]);
});

test("what someone else wrote does not come in over what is typed, even when it was loaded", async () => {
  const { result, rerender } = open();
  act(() => result.current.set("mine"));
  Object.assign(server, { text: "theirs", version: 2 });
  rerender({ stored: { value: "theirs", version: 2 }, ready: true });
  await pass(600);
  expect([server.text, result.current.value, result.current.state]).toEqual([
    "theirs",
    "mine",
    "stale",
  ]);
});

test("whoever goes elsewhere before a rest has it saved", async () => {
  const { result, unmount } = open();
  act(() => result.current.set("last words"));
  unmount();
  await pass(0);
  expect(server.text).toBe("last words");
});

test("also what nobody has looked at yet, whether it can be saved; but nothing that cannot", async () => {
  const unseen = open("unknown");
  act(() => unseen.result.current.set("drawn in a moment"));
  await pass(600);
  expect(server.text).toBe("old"); // while one stays, it is looked at first
  unseen.unmount();
  await pass(0);
  expect(server.text).toBe("drawn in a moment");
  const unreadable = open(false);
  act(() => unreadable.result.current.set("no page"));
  unreadable.unmount();
  await pass(0);
  expect(server.text).toBe("drawn in a moment");
});

test("also what was typed while something was on its way", async () => {
  const { result, unmount } = open();
  server.slow = true;
  act(() => result.current.set("one"));
  await pass(600);
  act(() => result.current.set("one two"));
  unmount();
  server.slow = false;
  await act(async () => server.answer());
  await pass(0);
  expect([server.seen, server.text]).toEqual([["one", "one two"], "one two"]);
});

test("what is stored already, as by leaving and coming back at once, is no conflict", async () => {
  const { result } = open();
  act(() => result.current.set("the same"));
  Object.assign(server, { text: "the same", version: 2 });
  await pass(600);
  expect([result.current.state, result.current.version, kept()]).toEqual(["saved", 2, null]);
});

test("nothing is sent by leaving where nothing was typed, or someone else was quicker", async () => {
  open().unmount();
  const { result, unmount } = open();
  Object.assign(server, { text: "theirs", version: 2 });
  act(() => result.current.set("mine"));
  await pass(600);
  unmount();
  await pass(0);
  expect([server.seen, server.text]).toEqual([["mine"], "theirs"]);
});

test("a draft that is damaged is none", () => {
  for (const draft of ["{", "null", "7", '{"typed":"x"}', '{"typed":"x","over":{"version":"1"}}']) {
    localStorage.setItem("shelf", draft);
    const { result, unmount } = open();
    expect([draft, result.current.value]).toEqual([draft, "old"]);
    unmount();
  }
});
