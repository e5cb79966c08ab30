import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, ask, rememberToken, type Schemas, type Trouble } from "./client";
import type { paths } from "./schema";

/** What a script says does not change by saving other things. */
const LASTING = ["draft", "reading", "score"];

/** The one way to load. */
function useLoad<T>(key: unknown[], load: () => Promise<T>) {
  return useQuery<T, Trouble>({ queryKey: key, queryFn: load });
}

/** The one way to save: `into` puts the answer where it is shown, and
 * everything else that is on the screen is loaded again. */
export function useSave<In, Out>(save: (value: In) => Promise<Out>, into?: (saved: Out, value: In) => unknown[]) {
  const cache = useQueryClient();
  return useMutation<Out, Trouble, In>({
    mutationFn: save,
    onSuccess: (saved, value) => {
      const key = into?.(saved, value);
      if (key) cache.setQueryData(key, saved);
      return cache.invalidateQueries({
        predicate: (query) => query.queryKey.join() !== key?.join() && !LASTING.includes(String(query.queryKey[0])),
      });
    },
    // Someone else was quicker: the screen shows theirs beside what was typed.
    onError: (trouble) => (trouble.problem.code === "stale" ? cache.invalidateQueries() : undefined),
  });
}

export const useSession = () =>
  useLoad(["session"], async () => {
    const session = await ask(api.GET("/api/session"));
    rememberToken(session.csrf);
    return session;
  });

export const usePieces = () => useLoad(["pieces"], () => ask(api.GET("/api/pieces")));
/** For whom a piece is shown: "studio", "teacher" (all my students), or a student's id. */
export type Whose = string;
export const usePiece = (id: number, whose: Whose = "studio") =>
  useLoad(["piece", id, whose], () =>
    ask(api.GET("/api/pieces/{id}", { params: { path: { id }, query: { for: whose } } })),
  );
export const useRevisions = (id: number, whose: Whose, revision: number) =>
  useLoad(["revisions", id, whose, revision], () =>
    ask(api.GET("/api/pieces/{id}/revisions", { params: { path: { id }, query: { for: whose } } })),
  );
export const useRevision = (id: number, whose: Whose, revision: number, against: number | null) =>
  useLoad(["revision", id, whose, revision, against], () =>
    ask(
      api.GET("/api/pieces/{id}/revisions/{revision}", {
        params: { path: { id, revision }, query: { for: whose, against: against ?? undefined } },
      }),
    ),
  );
export const useDrill = (id: number, whose: Whose, revision: number) =>
  useLoad(["drill", id, whose, revision], () =>
    ask(api.GET("/api/pieces/{id}/drill", { params: { path: { id }, query: { for: whose } } })),
  );
export const useKeepDrill = (id: number) =>
  useSave((body: { student_id: number; key: string; asked: number; missed: number[] }) =>
    ask(api.POST("/api/pieces/{id}/drills", { params: { path: { id } }, body })),
  );
export const useSound = (id: number, whose: Whose) =>
  useMutation<Sounding, Trouble, number>({
    mutationFn: (tempo) =>
      ask(api.GET("/api/pieces/{id}/sound", { params: { path: { id }, query: { for: whose, tempo } } })),
  });
export type Sounding = paths["/api/pieces/{id}/sound"]["get"]["responses"]["200"]["content"]["application/json"];
export const useScore = (id: number, wanted: boolean) =>
  useQuery<string, Trouble>({
    queryKey: ["score", id],
    queryFn: () => ask(api.GET("/api/pieces/{id}/score", { params: { path: { id } }, parseAs: "text" })),
    enabled: wanted,
    staleTime: Number.POSITIVE_INFINITY,
  });
export const useStudents = () => useLoad(["students"], () => ask(api.GET("/api/students")));
export const useStudent = (id: number) =>
  useLoad(["student", id], () => ask(api.GET("/api/students/{id}", { params: { path: { id } } })));
export const useLesson = (id: number) =>
  useLoad(["lesson", id], () => ask(api.GET("/api/students/{id}/lesson", { params: { path: { id } } })));
export const useStudio = () => useLoad(["studio"], () => ask(api.GET("/api/studio")));
export const useSheet = (token: string) =>
  useLoad(["sheet", token], () => ask(api.GET("/api/sheet/{token}", { params: { path: { token } } })));

export const useSignIn = () =>
  useSave((body: { email: string; password: string; remember: boolean }) => ask(api.POST("/api/login", { body })));
export const useSignOut = () => useSave(() => ask(api.POST("/api/logout", { body: {} })));

export const useLoadScore = () =>
  useSave(
    (file: File) =>
      ask(
        api.POST("/api/pieces/score", {
          params: { query: { name: file.name } },
          headers: { "Content-Type": "application/octet-stream" },
          body: file as never,
          bodySerializer: (body: unknown) => body as File,
        }),
      ),
    (piece) => ["piece", piece.id, "studio"],
  );
export const useTypePiece = () =>
  useSave(
    (script: string) => ask(api.POST("/api/pieces", { body: { script } })),
    (piece) => ["piece", piece.id, "studio"],
  );

/** Reads a script as it is typed; nothing is saved. */
export const useReading = (script: string) =>
  useQuery({
    queryKey: ["reading", script],
    queryFn: () => ask(api.POST("/api/scripts/read", { body: { script } })),
    placeholderData: (before) => before,
    staleTime: Number.POSITIVE_INFINITY,
  });

export type Draft = paths["/api/pieces/{id}/draft"]["post"]["responses"]["200"]["content"]["application/json"];
export type Changes = { put?: string[]; drop?: string[]; suggest?: boolean };
/** A piece's script as it is typed; nothing is saved. */
export const useDraft = (id: number, whose: Whose, script: string) =>
  useQuery<Draft, Trouble>({
    queryKey: ["draft", id, whose, script],
    queryFn: () => ask(api.POST("/api/pieces/{id}/draft", { params: { path: { id } }, body: { for: whose, script } })),
    placeholderData: (before, query) => (query?.queryKey[2] === whose ? before : undefined),
    staleTime: Number.POSITIVE_INFINITY,
  });
/** Puts statements into a script and takes others out, as a click says. */
export const useChange = (id: number, whose: Whose) => {
  const cache = useQueryClient();
  return useMutation<Draft, Trouble, Changes & { script: string }>({
    mutationFn: (body) =>
      ask(api.POST("/api/pieces/{id}/draft", { params: { path: { id } }, body: { for: whose, ...body } })),
    scope: { id: `draft ${id}` },
    onSuccess: (draft) => cache.setQueryData(["draft", id, whose, draft.script], draft),
  });
};
export const useSaveScript = (id: number, whose: Whose) =>
  useSave(
    (body: { script: string; revision: number }) =>
      ask(api.PUT("/api/pieces/{id}/script", { params: { path: { id } }, body: { for: whose, ...body } })),
    () => ["piece", id, whose],
  );

export const useAddStudent = () =>
  useSave(
    (body: Schemas["NewStudent"]) => ask(api.POST("/api/students", { body })),
    (student) => ["student", student.id],
  );
export const useChangeStudent = (id: number) =>
  useSave(
    (body: Schemas["NewStudent"] & { version: number }) =>
      ask(api.PUT("/api/students/{id}", { params: { path: { id } }, body })),
    () => ["student", id],
  );
export type Gift = Schemas["Gift"];
export const useGivePiece = () =>
  useSave(
    ({ id, ...body }: Gift & { id: number }) =>
      ask(api.POST("/api/students/{id}/pieces", { params: { path: { id } }, body })),
    (student) => ["student", student.id],
  );
export const usePlanAgain = (id: number) =>
  useSave(
    () => ask(api.POST("/api/students/{id}/week", { params: { path: { id } }, body: {} })),
    () => ["student", id],
  );
export const useTakeOption = (id: number) =>
  useSave(
    (body: { change: string; assignment_id: number }) =>
      ask(api.POST("/api/students/{id}/options", { params: { path: { id } }, body })),
    () => ["student", id],
  );
export const useRoutines = () => useLoad(["routines"], () => ask(api.GET("/api/routines")));
export type StageChange = Schemas["StageChanges"][number];
export const useCopyRoutine = () =>
  useSave(({ key, name }: { key: string; name: string }) =>
    ask(api.POST("/api/routines/{key}/copy", { params: { path: { key } }, body: { name } })),
  );
export const useChangeRoutine = (key: string) =>
  useSave((body: { name: string; for_whom: string; stages: StageChange[]; version: number }) =>
    ask(api.PUT("/api/routines/{key}", { params: { path: { key } }, body })),
  );
/** What a changed routine does to a piece; nothing is saved. */
export const useRoutineTrial = (key: string, piece_id: number | null, stages: StageChange[]) =>
  useQuery<{ steps: number; minutes: number; days: number }, Trouble>({
    queryKey: ["routine trial", key, piece_id, stages],
    queryFn: () =>
      ask(
        api.POST("/api/routines/{key}/trial", { params: { path: { key } }, body: { piece_id: piece_id ?? 0, stages } }),
      ),
    enabled: piece_id !== null,
    placeholderData: (before) => before,
    retry: false,
  });
/** What giving a piece would come to; nothing is saved. */
export const useTrial = (id: number | undefined, body: Gift) =>
  useQuery({
    queryKey: ["trial", id, body],
    queryFn: () => ask(api.POST("/api/students/{id}/trial", { params: { path: { id: id ?? 0 } }, body })),
    enabled: !!id && body.aim >= 20 && body.aim <= 400,
    placeholderData: (before) => before,
    retry: false,
  });
export const useRenewLink = (id: number) =>
  useSave(
    () => ask(api.POST("/api/students/{id}/link", { params: { path: { id } }, body: {} })),
    () => ["student", id],
  );
export const useWithdrawLink = (id: number) =>
  useSave(
    () => ask(api.DELETE("/api/students/{id}/link", { params: { path: { id } } })),
    () => ["student", id],
  );
export const useHear = (id: number) =>
  useSave(
    (body: { assignment_id: number; step_id: string; result: Schemas["Result"]; key: string }) =>
      ask(api.POST("/api/students/{id}/results", { params: { path: { id } }, body })),
    () => ["lesson", id],
  );

export type Mark = {
  key: string;
  kind: "repetition" | "struggle" | "undo";
  assignment_id: number;
  step_id: string;
  undoes?: string;
};
export const useMark = (token: string) => {
  const cache = useQueryClient();
  return useMutation<Schemas["Sheet"], Trouble, Mark>({
    mutationFn: (body) => ask(api.POST("/api/sheet/{token}/marks", { params: { path: { token } }, body })),
    // The key makes it safe to send a mark again when the answer was lost.
    retry: (times, trouble) => trouble.problem.code === "offline" && times < 4,
    scope: { id: "marks" },
    onSuccess: (sheet) => cache.setQueryData(["sheet", token], sheet),
  });
};
