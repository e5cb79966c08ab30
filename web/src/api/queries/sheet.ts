import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRef } from "react";
import { api, ask, type Schemas, type Trouble } from "../client";
import { useQueue } from "../queue";
import type { paths } from "../schema";
import { withTapped } from "../tapped";
import { useLoad } from "./base";

// The week sheet behind its private link.

// Milliseconds after the last tap until the whole sheet is loaded again: minutes
// of the day and what to leave out follow from all of it.
const RESTED = 1_500;

/** The notes of a piece on a sheet. */
export const useStepScore = (token: string, assignment_id: number, wanted: boolean) =>
  useQuery<string, Trouble>({
    queryKey: ["sheet", token, "score", assignment_id],
    queryFn: () =>
      ask(
        api.GET("/api/sheet/{token}/score", {
          params: { path: { token }, query: { assignment_id } },
          parseAs: "text",
        }),
      ),
    enabled: wanted,
    staleTime: Number.POSITIVE_INFINITY,
  });

export const useSheet = (token: string) =>
  useLoad(["sheet", token], () =>
    ask(api.GET("/api/sheet/{token}", { params: { path: { token } } })),
  );

export type Mark =
  paths["/api/sheet/{token}/marks"]["post"]["requestBody"]["content"]["application/json"] & {
    day: string;
  };

/** Taps on a sheet, in the order they were made. */
export const useMarks = (token: string) => {
  const cache = useQueryClient();
  const rest = useRef<ReturnType<typeof setTimeout>>(undefined);
  const queue = useQueue<Mark, Schemas["Tapped"]>(
    `stairwell-marks-${token}`,
    (mark) =>
      ask(api.POST("/api/sheet/{token}/marks", { params: { path: { token } }, body: mark })),
    (tapped) => {
      cache.setQueryData<Schemas["Sheet"]>(
        ["sheet", token],
        (sheet) => sheet && withTapped(sheet, tapped),
      );
      clearTimeout(rest.current);
      rest.current = setTimeout(
        () => cache.invalidateQueries({ queryKey: ["sheet", token], exact: true }),
        RESTED,
      );
    },
  );
  // A sheet that is on its way does not know of the tap, and would take it back.
  const push = (mark: Mark) => {
    clearTimeout(rest.current);
    cache.cancelQueries({ queryKey: ["sheet", token], exact: true });
    queue.push(mark);
  };
  return { ...queue, push };
};

export type NewMessage =
  paths["/api/sheet/{token}/messages"]["post"]["requestBody"]["content"]["application/json"];

/** A family's words to the teacher, which go when there is a connection. */
export const useSheetMessages = (token: string, onRefused: (message: NewMessage) => void) => {
  const cache = useQueryClient();
  return useQueue<NewMessage, Schemas["SheetMessage"][]>(
    `stairwell-messages-${token}`,
    (body) => ask(api.POST("/api/sheet/{token}/messages", { params: { path: { token } }, body })),
    (messages) =>
      cache.setQueryData<Schemas["Sheet"]>(
        ["sheet", token],
        (sheet) => sheet && { ...sheet, messages },
      ),
    onRefused,
  );
};

export const loadStepSound = (
  token: string,
  assignment_id: number,
  step_id: string,
  tempo?: number,
) =>
  ask(
    api.GET("/api/sheet/{token}/sound", {
      params: { path: { token }, query: { assignment_id, step_id, tempo } },
    }),
  );
