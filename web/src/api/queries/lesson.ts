import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, ask, type Schemas, type Trouble } from "../client";
import { useQueue } from "../queue";
import type { paths } from "../schema";
import { aboutStudent, useLoad, useSave } from "./base";

// A lesson: what is heard, written and lent.

export const useLesson = (id: number) =>
  useLoad(["lesson", id], () =>
    ask(api.GET("/api/students/{id}/lesson", { params: { path: { id } } })),
  );

export const useMessages = (id: number) =>
  useLoad(["messages", id], () =>
    ask(api.GET("/api/students/{id}/messages", { params: { path: { id } } })),
  );

export const useReadMessage = (id: number) =>
  useSave(
    ({ message, read }: { message: number; read: boolean }) =>
      ask(
        api.PUT("/api/students/{id}/messages/{message}", {
          params: { path: { id, message } },
          body: { read },
        }),
      ),
    { into: () => ["messages", id], touches: () => [["today"]] },
  );

export type Hearing =
  paths["/api/students/{id}/results"]["post"]["requestBody"]["content"]["application/json"];

export type Ticking =
  paths["/api/students/{id}/ticks"]["post"]["requestBody"]["content"]["application/json"];

/** Results and ticks of a lesson, in the order they were given. */
export const useLessonQueue = (id: number) => {
  const cache = useQueryClient();
  return useQueue<{ key: string; hear?: Hearing; tick?: Ticking }, Schemas["Lesson"]>(
    `stairwell-lesson-${id}`,
    ({ hear, tick }) => {
      const params = { path: { id } };
      if (hear) return ask(api.POST("/api/students/{id}/results", { params, body: hear }));
      return ask(api.POST("/api/students/{id}/ticks", { params, body: tick as Ticking }));
    },
    (lesson) => {
      cache.cancelQueries({ queryKey: ["lesson", id], exact: true });
      cache.setQueryData(["lesson", id], lesson);
      for (const queryKey of aboutStudent(id).filter(([page]) => page !== "lesson"))
        cache.invalidateQueries({ queryKey });
    },
  );
};

export const useOffer = (
  id: number,
  body: { assignment_id: number; step_id: string; stumbles: number; tempo?: number } | null,
) =>
  useQuery<{ result: Schemas["Result"]; why: string }, Trouble>({
    queryKey: ["offer", id, body],
    queryFn: () =>
      ask(
        api.POST("/api/students/{id}/offer", {
          params: { path: { id } },
          body: body as NonNullable<typeof body>,
        }),
      ),
    enabled: body !== null,
    placeholderData: (before) => before,
    retry: false,
  });

export const useWriteLesson = (id: number) => {
  const cache = useQueryClient();
  return useMutation<
    Schemas["LessonNotes"],
    Trouble,
    { recap?: string | null; notes?: string; version: number }
  >({
    mutationFn: (body) =>
      ask(api.PUT("/api/students/{id}/lesson", { params: { path: { id } }, body })),
    scope: { id: `write lesson ${id}` },
    onSuccess: (lesson) =>
      cache.setQueryData<Schemas["Lesson"]>(
        ["lesson", id],
        (before) => before && { ...before, lesson },
      ),
  });
};

/** Ends a lesson; what is being written is kept first. */
export const useFinish = (id: number) => {
  const cache = useQueryClient();
  return useMutation<{ sent: boolean; sheet_path: string | null }, Trouble, boolean>({
    mutationFn: (send) =>
      ask(
        api.POST("/api/students/{id}/lesson/finish", { params: { path: { id } }, body: { send } }),
      ),
    scope: { id: `write lesson ${id}` },
    onSuccess: () =>
      Promise.all(aboutStudent(id).map((queryKey) => cache.invalidateQueries({ queryKey }))),
  });
};

export const useLend = (id: number) =>
  useSave(
    (title: string) =>
      ask(api.POST("/api/students/{id}/lent", { params: { path: { id } }, body: { title } })),
    {
      into: () => ["lesson", id],
    },
  );

export const useTakeBack = (id: number) =>
  useSave(
    (lent: number) =>
      ask(api.DELETE("/api/students/{id}/lent/{lent}", { params: { path: { id, lent } } })),
    {
      into: () => ["lesson", id],
    },
  );
