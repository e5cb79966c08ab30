import { type QueryKey, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { Trouble } from "../client";

/** The one way to load. What others do loads it again: see news.ts. */
export function useLoad<T>(key: unknown[], load: () => Promise<T>) {
  return useQuery<T, Trouble>({ queryKey: key, queryFn: load });
}

/** What a saving changes: `into` is where the answer itself is shown, `touches`
 * what else shows something of it and is loaded again. Savings of the same `turn` go one
 * after another: an answer that came late would show again what a later one had changed. */
export type Changes<In, Out> = {
  into?: (saved: Out, value: In) => QueryKey;
  touches?: (saved: Out, value: In) => QueryKey[];
  turn?: string;
};

/** The one way to save. Only what a saving changes is loaded again. */
export function useSave<In, Out>(
  save: (value: In) => Promise<Out>,
  { into, touches, turn }: Changes<In, Out> = {},
) {
  const cache = useQueryClient();
  const reload = (keys: QueryKey[], but?: QueryKey) =>
    Promise.all(
      keys.map((queryKey) =>
        cache.invalidateQueries({
          queryKey,
          predicate: (query) => query.queryKey.join() !== but?.join(),
        }),
      ),
    );
  return useMutation<Out, Trouble, In>({
    mutationFn: save,
    scope: turn === undefined ? undefined : { id: turn },
    onSuccess: (saved, value) => {
      const key = into?.(saved, value);
      if (key) {
        // What is still being loaded is older than the answer.
        cache.cancelQueries({ queryKey: key, exact: true });
        cache.setQueryData(key, saved);
      }
      return reload(touches?.(saved, value) ?? [], key);
    },
    // Someone else was quicker: the screen shows theirs beside what was typed.
    onError: (trouble) =>
      trouble.problem.code === "stale" ? cache.invalidateQueries() : undefined,
  });
}

/** A file as its bytes, as a request carries it. */
export const bytesOf = (file: File) => ({
  headers: { "Content-Type": "application/octet-stream" },
  body: file as never,
  bodySerializer: (body: unknown) => body as File,
});

/** Wherever something of a student is shown. */
export const aboutStudent = (id: number): QueryKey[] => [
  ["student", id],
  ["lesson", id],
  ["students"],
  ["today"],
  ["studio"],
];
