import { useQuery } from "@tanstack/react-query";
import { api, ask, type Schemas, type Trouble } from "../client";
import { useLoad, useSave } from "./base";

// Routines.

export const useRoutines = () => useLoad(["routines"], () => ask(api.GET("/api/routines")));

export type StageChange = Schemas["StageChanges"][number];

export const useCopyRoutine = () =>
  useSave(
    ({ key, name }: { key: string; name: string }) =>
      ask(api.POST("/api/routines/{key}/copy", { params: { path: { key } }, body: { name } })),
    { touches: () => [["routines"]] },
  );

export const useChangeRoutine = (key: string) =>
  useSave(
    (body: { name: string; for_whom: string; stages: StageChange[]; version: number }) =>
      ask(api.PUT("/api/routines/{key}", { params: { path: { key } }, body })),
    { touches: () => [["routines"]] },
  );

/** What a changed routine does to a piece; nothing is saved. */
export const useRoutineTrial = (key: string, piece_id: number | null, stages: StageChange[]) =>
  useQuery<Schemas["RoutineTrial"], Trouble>({
    queryKey: ["routine trial", key, piece_id, stages],
    queryFn: () =>
      ask(
        api.POST("/api/routines/{key}/trial", {
          params: { path: { key } },
          body: { piece_id: piece_id ?? 0, stages },
        }),
      ),
    enabled: piece_id !== null,
    placeholderData: (before) => before,
    retry: false,
  });
