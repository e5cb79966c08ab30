import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, ask, rememberToken, type Schemas, type Trouble } from "./client";
import { useQueue } from "./queue";
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
export type Sounding = Schemas["Sound"];
export const useScore = (id: number, wanted: boolean) =>
  useQuery<string, Trouble>({
    queryKey: ["score", id],
    queryFn: () => ask(api.GET("/api/pieces/{id}/score", { params: { path: { id } }, parseAs: "text" })),
    enabled: wanted,
    staleTime: Number.POSITIVE_INFINITY,
  });
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
export const useStroke = (id: number) =>
  useSave(
    (body: paths["/api/students/{id}/week/strokes"]["post"]["requestBody"]["content"]["application/json"]) =>
      ask(api.POST("/api/students/{id}/week/strokes", { params: { path: { id } }, body })),
    () => ["student", id],
  );
export const useTeach = (id: number) =>
  useSave(
    (body: { assignment_id: number; what: string; taught: boolean; key: string }) =>
      ask(api.POST("/api/students/{id}/taught", { params: { path: { id } }, body })),
    () => ["student", id],
  );
export type Form = paths["/api/students/{id}/smaller"]["post"]["requestBody"]["content"]["application/json"]["form"];
export const useMakeSmaller = (id: number) =>
  useSave(
    (body: { assignment_id: number; step_id: string; form: Form; bar?: number; key: string }) =>
      ask(api.POST("/api/students/{id}/smaller", { params: { path: { id } }, body })),
    () => ["student", id],
  );
export const useChangePiece = (id: number) =>
  useSave(
    ({ assignment, ...body }: { assignment: number; due_on?: string | null; priority?: number; gate?: boolean }) =>
      ask(api.PUT("/api/students/{id}/pieces/{assignment}", { params: { path: { id, assignment } }, body })),
    () => ["student", id],
  );
export type NewWork = Schemas["NewWork"];
export const useAddWork = (id: number) =>
  useSave(
    (body: NewWork) => ask(api.POST("/api/students/{id}/work", { params: { path: { id } }, body })),
    () => ["student", id],
  );
export const useEndWork = (id: number) =>
  useSave(
    (work: number) => ask(api.DELETE("/api/students/{id}/work/{work}", { params: { path: { id, work } } })),
    () => ["student", id],
  );
export const useStudioSettings = () =>
  useQuery<Schemas["StudioSettings"], Trouble>({
    queryKey: ["studio settings"],
    queryFn: () => ask(api.GET("/api/studio/settings")),
    // As long as everyone's week is being planned, it says how far it is.
    refetchInterval: (query) => (query.state.data?.run && !query.state.data.run.finished ? 400 : false),
  });
export const useSetHolidays = () =>
  useSave(
    (holidays: Schemas["Stretches"]) => ask(api.PUT("/api/studio/settings", { body: { holidays } })),
    () => ["studio settings"],
  );
export const usePlanEveryone = () =>
  useSave(
    () => ask(api.POST("/api/studio/plans", { body: {} })),
    () => ["studio settings"],
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
export type Hearing = paths["/api/students/{id}/results"]["post"]["requestBody"]["content"]["application/json"];
export type Ticking = paths["/api/students/{id}/ticks"]["post"]["requestBody"]["content"]["application/json"];
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
      cache.setQueryData(["lesson", id], lesson);
      cache.invalidateQueries({ predicate: (query) => query.queryKey.join() !== `lesson,${id}` });
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
      ask(api.POST("/api/students/{id}/offer", { params: { path: { id } }, body: body as NonNullable<typeof body> })),
    enabled: body !== null,
    placeholderData: (before) => before,
    retry: false,
  });
export const useWriteLesson = (id: number) => {
  const cache = useQueryClient();
  return useMutation<Schemas["LessonNotes"], Trouble, { recap?: string | null; notes?: string; version: number }>({
    mutationFn: (body) => ask(api.PUT("/api/students/{id}/lesson", { params: { path: { id } }, body })),
    scope: { id: `write lesson ${id}` },
    onSuccess: (lesson) =>
      cache.setQueryData<Schemas["Lesson"]>(["lesson", id], (before) => before && { ...before, lesson }),
  });
};
/** Ends a lesson; what is being written is kept first. */
export const useFinish = (id: number) => {
  const cache = useQueryClient();
  return useMutation<{ sent: boolean; sheet_path: string | null }, Trouble, boolean>({
    mutationFn: (send) =>
      ask(api.POST("/api/students/{id}/lesson/finish", { params: { path: { id } }, body: { send } })),
    scope: { id: `write lesson ${id}` },
    onSuccess: () => cache.invalidateQueries(),
  });
};
export const useLend = (id: number) =>
  useSave(
    (title: string) => ask(api.POST("/api/students/{id}/lent", { params: { path: { id } }, body: { title } })),
    () => ["lesson", id],
  );
export const useTakeBack = (id: number) =>
  useSave(
    (lent: number) => ask(api.DELETE("/api/students/{id}/lent/{lent}", { params: { path: { id, lent } } })),
    () => ["lesson", id],
  );
export const useToday = () => useLoad(["today"], () => ask(api.GET("/api/today")));
export const useOutbox = () => useLoad(["outbox"], () => ask(api.GET("/api/outbox")));
export const useRenewPiece = (id: number) =>
  useSave(
    (assignment: number) =>
      ask(api.POST("/api/students/{id}/pieces/{assignment}/renew", { params: { path: { id, assignment } }, body: {} })),
    () => ["student", id],
  );
export const useEndPiece = (id: number) =>
  useSave(
    ({
      assignment,
      ...body
    }: {
      assignment: number;
      ended: "passed" | "kept" | "set_aside" | null;
      keep_for?: string;
    }) => ask(api.POST("/api/students/{id}/pieces/{assignment}/end", { params: { path: { id, assignment } }, body })),
    () => ["student", id],
  );

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
