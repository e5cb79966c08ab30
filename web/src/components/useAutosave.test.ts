import { describe, expect, test } from "vitest";
import { goOn, stateOf } from "./useAutosave";

const at = (value: string, version: number) => ({ value, version });

describe("what the server has newer than was seen", () => {
  test("comes in where nothing was typed", () => {
    expect(goOn(at("theirs", 2), at("old", 1), "old", undefined)).toEqual(at("theirs", 2));
  });
  test("is nothing new where the same was typed", () => {
    expect(goOn(at("same", 2), at("old", 1), "same", undefined)).toEqual(at("same", 2));
  });
  // Recap and notes have one version: the other of the two was kept.
  test("is gone on from where only its version is newer", () => {
    expect(goOn(at("old", 2), at("old", 1), "typed", undefined)).toEqual(at("old", 2));
  });
  test("is gone on from where it is what I sent myself, and typed on", () => {
    expect(goOn(at("sent", 2), at("old", 1), "sent and more", "sent")).toEqual(at("sent", 2));
  });
  test("stands in the way where someone else wrote and I typed too", () => {
    expect(goOn(at("theirs", 2), at("old", 1), "mine", undefined)).toBeNull();
    expect(goOn(at("theirs", 3), at("old", 1), "sent and more", "sent")).toBeNull();
  });
});

test("a screen says the worst that is so", () => {
  const fine = { stale: null, away: false, error: null, pending: false, changed: false };
  expect(stateOf(fine)).toBe("saved");
  expect(stateOf({ ...fine, changed: true })).toBe("waiting");
  expect(stateOf({ ...fine, changed: true, pending: true })).toBe("saving");
  expect(stateOf({ ...fine, changed: true, error: "422" })).toBe("stopped");
  expect(stateOf({ ...fine, changed: true, error: "0", away: true })).toBe("offline");
  expect(stateOf({ ...fine, changed: true, error: "409", stale: {} })).toBe("stale");
});
