import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { Trouble } from "../client";

/** What a script says does not change by saving other things. */
const LASTING = ["draft", "reading", "score"];

/** The one way to load; `every` says after how many milliseconds it is loaded
 * again by itself. */
export function useLoad<T>(key: unknown[], load: () => Promise<T>, every?: (loaded: T | undefined) => number | false) {
  return useQuery<T, Trouble>({
    queryKey: key,
    queryFn: load,
    refetchInterval: every && ((query) => every(query.state.data as T | undefined)),
  });
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
