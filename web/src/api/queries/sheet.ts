import { useQuery, useQueryClient } from "@tanstack/react-query";
import { api, ask, type Schemas, type Trouble } from "../client";
import { useQueue } from "../queue";
import type { paths } from "../schema";
import { useLoad } from "./base";

// The week sheet behind its private link.

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
  useLoad(["sheet", token], () => ask(api.GET("/api/sheet/{token}", { params: { path: { token } } })));

export type Mark = paths["/api/sheet/{token}/marks"]["post"]["requestBody"]["content"]["application/json"] & {
  day: string;
};

/** Taps on a sheet, in the order they were made. */
export const useMarks = (token: string) => {
  const cache = useQueryClient();
  return useQueue<Mark, Schemas["Sheet"]>(
    `stairwell-marks-${token}`,
    (mark) => ask(api.POST("/api/sheet/{token}/marks", { params: { path: { token } }, body: mark })),
    (sheet) => cache.setQueryData(["sheet", token], sheet),
  );
};

export const loadStepSound = (token: string, assignment_id: number, step_id: string) =>
  ask(api.GET("/api/sheet/{token}/sound", { params: { path: { token }, query: { assignment_id, step_id } } }));
