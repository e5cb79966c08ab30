import { api, ask, type Schemas } from "../client";
import { bytesOf, useLoad, useSave } from "./base";

// The whole studio, the day, and the mail.

const SETTINGS = ["studio settings"];

export const useStudio = () => useLoad(["studio"], () => ask(api.GET("/api/studio")));

export const useStudioSettings = () =>
  useLoad(SETTINGS, () => ask(api.GET("/api/studio/settings")));

// The language and holidays are everyone's.
const everyone = () => [
  ["session"],
  ["student"],
  ["lesson"],
  ["today"],
  ["studio"],
  ["pieces"],
  ["piece"],
  ["routines"],
];

export const useChangeStudio = () =>
  useSave((body: Schemas["StudioChanges"]) => ask(api.PUT("/api/studio/settings", { body })), {
    into: () => SETTINGS,
    touches: everyone,
  });

/** Reads holidays out of a calendar file; nothing is saved. */
export const useReadHolidays = () =>
  useSave((file: File) =>
    ask(
      api.POST("/api/studio/holidays", {
        ...bytesOf(file),
      }),
    ),
  );

export const usePlanEveryone = () =>
  useSave(() => ask(api.POST("/api/studio/plans", { body: {} })), {
    into: () => SETTINGS,
    touches: everyone,
  });

export const useToday = (teachers: "own" | "all") =>
  useLoad(["today", teachers], () =>
    ask(api.GET("/api/today", { params: { query: { teachers } } })),
  );

const OUTBOX = ["outbox"];

export const useOutbox = () => useLoad(OUTBOX, () => ask(api.GET("/api/outbox")));

/** Recaps that were begun, and those nobody can get. */
export const useUnsent = () =>
  useLoad([...OUTBOX, "unsent"], () => ask(api.GET("/api/outbox/unsent")));

/** Gives a letter to the mail server once more. */
export const useSendAgain = () =>
  useSave(
    (id: number) => ask(api.POST("/api/outbox/{id}/again", { params: { path: { id } }, body: {} })),
    {
      into: () => OUTBOX,
    },
  );
