import { useInfiniteQuery, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { api, ask, type Schemas, type Trouble } from "../client";
import { aboutStudent, bytesOf, useLoad, useSave } from "./base";

export type HistoryFilter = { kind?: string; account?: number; student?: number };

// As many as the server gives at once.
const PAGE = 100;

/** Who did what in the studio, the newest first; older ones are loaded when asked for. */
export const useHistory = (filter: HistoryFilter) =>
  useInfiniteQuery<
    Schemas["Happened"][],
    Trouble,
    Schemas["Happened"][],
    unknown[],
    number | undefined
  >({
    queryKey: ["history", filter],
    queryFn: ({ pageParam }) =>
      ask(
        api.GET("/api/studio/history", {
          params: { query: { ...filter, before: pageParam } as never },
        }),
      ),
    initialPageParam: undefined,
    getNextPageParam: (last) => (last.length < PAGE ? undefined : last.at(-1)?.id),
    select: ({ pages }) => pages.flat(),
  });

/** Takes all that is kept of a student away, for good. */
export const useErase = (id: number) =>
  useSave(
    (name: string) =>
      ask(api.POST("/api/students/{id}/erase", { params: { path: { id } }, body: { name } })),
    {
      touches: () => [["students"], ["student", id], ["history"], ["outbox"]],
    },
  );

/** Keeps the record after all, as long as nothing was erased. */
export const useStopErasing = (id: number) =>
  useSave(() => ask(api.DELETE("/api/students/{id}/erase", { params: { path: { id } } })), {
    touches: () => [...aboutStudent(id), ["history"]],
  });

const KEEPING = ["keeping"];

/** What guardians agreed to, and how long what is kept of those who left is kept. */
export const useKeeping = () => useLoad(KEEPING, () => ask(api.GET("/api/studio/keeping")));

export const useChangeKeeping = () =>
  useSave(
    (body: { asks_consent?: boolean; keep_months?: number | null }) =>
      ask(api.PUT("/api/studio/keeping", { body })),
    { into: () => KEEPING, touches: () => [["students"], ["student"]] },
  );

export const useKeepLonger = () =>
  useSave(
    ({ id, months }: { id: number; months: number }) =>
      ask(api.POST("/api/students/{id}/keep", { params: { path: { id } }, body: { months } })),
    { into: () => KEEPING },
  );

export const useConsent = (id: number) =>
  useSave(
    (body: { by: string; records: boolean; recordings: boolean }) =>
      ask(api.PUT("/api/students/{id}/consent", { params: { path: { id } }, body })),
    { into: () => ["student", id], touches: () => [...aboutStudent(id), KEEPING] },
  );

export type ArchiveLoad = Schemas["ArchiveLoad"];

/** Whether a job is still to do something about it. */
export const isActive = (load?: ArchiveLoad) =>
  load !== undefined && ["waiting", "reading", "loading"].includes(load.state);

/** How far an archive is, asked again while it is being loaded; then every place shows more. */
export function useArchiveLoad() {
  const cache = useQueryClient();
  const load = useQuery<ArchiveLoad, Trouble>({
    queryKey: ["archive-load"],
    queryFn: () => ask(api.GET("/api/studio/archive")),
    refetchInterval: (query) => (isActive(query.state.data) ? 1000 : false),
  });
  const active = isActive(load.data);
  const before = useRef(active);
  useEffect(() => {
    if (before.current && !active) cache.invalidateQueries();
    before.current = active;
  }, [active, cache]);
  return load;
}

/** Brings an archive for this studio, in which nothing is yet. */
export const useLoadArchive = () =>
  useSave((file: File) => ask(api.POST("/api/studio/archive", bytesOf(file))), {
    touches: () => [["archive-load"]],
  });
