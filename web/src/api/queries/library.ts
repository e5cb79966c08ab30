import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, ask, newKey, type Schemas, type Trouble } from "../client";
import type { paths } from "../schema";
import { bytesOf, useLoad, useSave } from "./base";

// Pieces: the page, its script, its revisions, how it sounds.

/** Every piece, those that are deleted too. */
export const useShelf = () => useLoad(["pieces"], () => ask(api.GET("/api/pieces")));

/** The pieces that can be assigned. */
export function usePieces() {
  const shelf = useShelf();
  return { ...shelf, data: shelf.data?.filter((piece) => !piece.deleted) };
}

/** Takes a piece off the shelf. */
export const useDeletePiece = () =>
  useSave((id: number) => ask(api.DELETE("/api/pieces/{id}", { params: { path: { id } } })), {
    touches: (_, id) => [["pieces"], ["piece", id]],
  });

/** Takes a deleted piece back. */
export const useRestorePiece = () =>
  useSave(
    (id: number) =>
      ask(api.POST("/api/pieces/{id}/restore", { params: { path: { id } }, body: {} })),
    {
      touches: (_, id) => [["pieces"], ["piece", id]],
    },
  );

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

/** What the studio knows of the page from all who learnt it. */
export const useKnown = (id: number, whose: Whose, revision: number) =>
  useLoad(["known", id, whose, revision], () =>
    ask(api.GET("/api/pieces/{id}/known", { params: { path: { id }, query: { for: whose } } })),
  );

export const useDrill = (id: number, whose: Whose, revision: number) =>
  useLoad(["drill", id, whose, revision], () =>
    ask(api.GET("/api/pieces/{id}/drill", { params: { path: { id }, query: { for: whose } } })),
  );

export const useKeepDrill = (id: number) =>
  useSave(
    (body: { student_id: number; key: string; asked: number; missed: number[] }) =>
      ask(api.POST("/api/pieces/{id}/drills", { params: { path: { id } }, body })),
    { touches: (_, { student_id }) => [["student", student_id]] },
  );

export const useSound = (id: number, whose: Whose) =>
  useMutation<Sounding, Trouble, number>({
    mutationFn: (tempo) =>
      ask(
        api.GET("/api/pieces/{id}/sound", {
          params: { path: { id }, query: { for: whose, tempo } },
        }),
      ),
  });

export type Sounding = Schemas["Sound"];

export const useScore = (id: number, wanted: boolean) =>
  useQuery<string, Trouble>({
    queryKey: ["score", id],
    queryFn: () =>
      ask(api.GET("/api/pieces/{id}/score", { params: { path: { id } }, parseAs: "text" })),
    enabled: wanted,
    staleTime: Number.POSITIVE_INFINITY,
  });

/** Keys by what was sent: the same file or script sent again is one piece. */
const sent = { file: new WeakMap<File, string>(), script: new Map<string, string>() };

function keyOf<T>(
  keys: { get(one: T): string | undefined; set(one: T, key: string): unknown },
  one: T,
) {
  const key = keys.get(one) ?? newKey();
  keys.set(one, key);
  return key;
}

type BroughtScore = { file: File; title?: string; right?: string; left?: string; sure?: boolean };

export const useLoadScore = () =>
  useSave(
    ({ file, ...said }: BroughtScore) =>
      ask(
        api.POST("/api/pieces/score", {
          params: { query: { name: file.name, key: keyOf(sent.file, file), ...said } },
          ...bytesOf(file),
        }),
      ),
    { into: (piece) => ["piece", piece.id, "studio"], touches: () => [["pieces"]] },
  );

/** Takes in pages that another studio gave. */
export const useLoadPages = () =>
  useSave(
    (file: File) =>
      ask(
        api.POST("/api/pieces/parcel", {
          params: { query: { key: keyOf(sent.file, file) } },
          ...bytesOf(file),
        }),
      ),
    { touches: () => [["pieces"]] },
  );

/** Another score for a piece: its sections and words stay. */
export const useLoadOtherScore = (id: number) =>
  useSave(
    ({ file, ...said }: BroughtScore) =>
      ask(
        api.POST("/api/pieces/{id}/score", {
          params: { path: { id }, query: { name: file.name, ...said } },
          ...bytesOf(file),
        }),
      ),
    {
      touches: () => [
        ["piece", id],
        ["revisions", id],
        ["drill", id],
        ["score", id],
        ["learners", id],
        ["pieces"],
      ],
    },
  );

/** Two entries of one piece become one. */
export const useMergePieces = (id: number) =>
  useSave(
    (into: number) =>
      ask(api.POST("/api/pieces/{id}/merge", { params: { path: { id } }, body: { into } })),
    {
      touches: (_, into) => [
        ["pieces"],
        ["piece", id],
        ["piece", into],
        ["learners"],
        ["student"],
        ["students"],
      ],
    },
  );

/** Who learns a piece, and what its page as it is now would come to for each. */
export const useLearners = (id: number, revision: number) =>
  useLoad(["learners", id, revision], () =>
    ask(api.GET("/api/pieces/{id}/learners", { params: { path: { id } } })),
  );

export const useTypePiece = () =>
  useSave(
    (script: string) =>
      ask(api.POST("/api/pieces", { body: { script, key: keyOf(sent.script, script) } })),
    {
      into: (piece) => {
        sent.script.clear();
        return ["piece", piece.id, "studio"];
      },
      touches: () => [["pieces"]],
    },
  );

/** Reads a script as it is typed; nothing is saved. */
export const useReading = (script: string) =>
  useQuery({
    queryKey: ["reading", script],
    queryFn: () => ask(api.POST("/api/scripts/read", { body: { script } })),
    placeholderData: (before) => before,
    staleTime: Number.POSITIVE_INFINITY,
  });

export type Draft =
  paths["/api/pieces/{id}/draft"]["post"]["responses"]["200"]["content"]["application/json"];

type DraftBody = NonNullable<
  paths["/api/pieces/{id}/draft"]["post"]["requestBody"]
>["content"]["application/json"];
/** What a click says: statements, or what was pressed or dragged. */
export type Changes = Omit<DraftBody, "script" | "for">;
/** A line's end that is moved by some bars. */
export type Shift = NonNullable<Changes["shift"]>;
/** One of a section's places that is dragged elsewhere. */
export type Move = NonNullable<Changes["move"]>;

/** A piece's script as it is typed; nothing is saved. */
export const useDraft = (id: number, whose: Whose, script: string) =>
  useQuery<Draft, Trouble>({
    queryKey: ["draft", id, whose, script],
    queryFn: () =>
      ask(
        api.POST("/api/pieces/{id}/draft", {
          params: { path: { id } },
          body: { for: whose, script },
        }),
      ),
    placeholderData: (before, query) => (query?.queryKey[2] === whose ? before : undefined),
    staleTime: Number.POSITIVE_INFINITY,
  });

/** Puts statements into a script and takes others out, as a click says. */
export const useChange = (id: number, whose: Whose) => {
  const cache = useQueryClient();
  return useMutation<Draft, Trouble, Changes & { script: string }>({
    mutationFn: (body) =>
      ask(
        api.POST("/api/pieces/{id}/draft", {
          params: { path: { id } },
          body: { for: whose, ...body },
        }),
      ),
    scope: { id: `draft ${id}` },
    onSuccess: (draft) => cache.setQueryData(["draft", id, whose, draft.script], draft),
  });
};

export const useSaveScript = (id: number, whose: Whose) =>
  useSave(
    (body: { script: string; revision: number }) =>
      ask(
        api.PUT("/api/pieces/{id}/script", {
          params: { path: { id } },
          body: { for: whose, ...body },
        }),
      ),
    {
      into: () => ["piece", id, whose],
      // What lies over the page shows it too.
      touches: () => [["piece", id], ["revisions", id], ["drill", id], ["pieces"]],
    },
  );
