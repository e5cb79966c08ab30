import { useCallback, useEffect, useRef, useState } from "react";
import type { Schemas, Trouble } from "../../api/client";
import { type Changes, useChange, useDraft, useSaveScript, type Whose } from "../../api/queries";
import { useCalm } from "../../parts/useCalm";

type Piece = Schemas["Piece"];
type Page = Schemas["Page"];
/** What is stored: the script and the revision it is. */
type Stored = { script: string; revision: number };
/** Theirs, when someone else was quicker, and both put together. */
export type Stale = Stored & { by: string | null; merged: string };
export type Saving = "saved" | "waiting" | "saving" | "stopped" | "stale";

const STEPS_KEPT = 200;

/** A piece at work. The script is what is changed, by typing or by clicking;
 * the page follows from it, and it saves itself. */
export function useBench(piece: Piece, whose: Whose) {
  const shelf = `stairwell-draft/${piece.id}/${whose}`;
  const [stored, setStored] = useState<Stored>(() => unsaved(shelf) ?? piece);
  const [script, setScript] = useState(() => unsaved(shelf)?.typed ?? piece.script);
  const history = useRef<{ past: string[]; future: string[] }>({ past: [], future: [] });
  const newest = useRef(script);
  newest.current = script;
  const queue = useRef<Promise<boolean>>(Promise.resolve(true));
  const calm = useCalm(script);
  const rested = useCalm(script, 700);
  const draft = useDraft(piece.id, whose, calm);
  const change = useChange(piece.id, whose);
  const save = useSaveScript(piece.id, whose);
  const shown = useRef<Page>(piece);
  if (draft.data?.piece && calm === script) shown.current = draft.data.piece;
  const stale = save.error?.problem.code === "stale" ? (save.error.problem.kept as Stale) : null;
  const changed = script !== stored.script;

  const remember = useCallback((before: string) => {
    const { past } = history.current;
    if (past[past.length - 1] !== before) past.push(before);
    if (past.length > STEPS_KEPT) past.shift();
    history.current.future = [];
  }, []);

  // One step back is what was typed between two rests.
  const rest = useRef(script);
  useEffect(() => {
    if (rested === rest.current || rested !== newest.current) return;
    remember(rest.current);
    rest.current = rested;
  }, [rested, remember]);

  const go = (to: string) => {
    rest.current = to;
    newest.current = to;
    setScript(to);
  };
  const set = (to: string) => {
    if (to === newest.current) return;
    remember(newest.current);
    go(to);
  };
  const undo = () => {
    const before = history.current.past.pop();
    if (before === undefined) return;
    history.current.future.push(newest.current);
    go(before);
  };
  const redo = () => {
    const after = history.current.future.pop();
    if (after === undefined) return;
    history.current.past.push(newest.current);
    go(after);
  };
  /** A click: statements into the script and out of it. What is said depends on
   * the page, so one click waits for the one before, however fast they come. */
  const apply = (changes: Changes | ((page: Page) => Changes)): Promise<boolean> => {
    const done = queue.current.then(async () => {
      const said = typeof changes === "function" ? changes(shown.current) : changes;
      const made = await change.mutateAsync({ script: newest.current, ...said });
      set(made.script);
      if (made.piece) shown.current = made.piece;
      return true;
    });
    queue.current = done.catch(() => false);
    return queue.current;
  };

  const store = (typed: string, revision: number) =>
    save.mutate(
      { script: typed, revision },
      { onSuccess: (kept) => setStored({ script: typed, revision: kept.revision }) },
    );

  // It saves itself when one rests, as long as there is a page to save.
  // biome-ignore lint/correctness/useExhaustiveDependencies: only a rest saves
  useEffect(() => {
    if (rested === stored.script || rested !== newest.current) return;
    if (save.isPending || save.error || !draft.data?.piece) return;
    store(rested, stored.revision);
  }, [rested, stored, draft.data, save.isPending, save.error]);

  // Until it is saved, this browser keeps it.
  useEffect(() => {
    if (changed) localStorage.setItem(shelf, JSON.stringify({ ...stored, typed: script }));
    else localStorage.removeItem(shelf);
  }, [shelf, script, stored, changed]);

  // What others changed shows up, unless one is at work.
  // biome-ignore lint/correctness/useExhaustiveDependencies: only a new revision counts
  useEffect(() => {
    if (changed || save.isPending || piece.revision <= stored.revision) return;
    setStored(piece);
    go(piece.script);
  }, [piece.revision]);

  /** Ends a conflict: with this script on top of theirs. */
  const settle = (to: string) => {
    if (!stale) return;
    const { revision } = stale;
    save.reset();
    setStored({ script: stale.script, revision });
    set(to);
  };
  const saving: Saving = stale
    ? "stale"
    : save.error
      ? "stopped"
      : save.isPending
        ? "saving"
        : changed
          ? "waiting"
          : "saved";

  return {
    piece: draft.data?.piece ?? piece,
    readable: !draft.data || draft.data.piece !== null,
    script,
    type: setScript,
    set,
    apply,
    problems: draft.data?.problems ?? [],
    busy: change.isPending,
    trouble: (change.error ?? draft.error ?? null) as Trouble | null,
    forget: change.reset,
    undo: history.current.past.length > 0 ? undo : undefined,
    redo: history.current.future.length > 0 ? redo : undefined,
    revision: stored.revision,
    saving,
    stale,
    settle,
    stopped: stale ? null : save.error,
    again: save.reset,
  };
}

export type Bench = ReturnType<typeof useBench>;

/** What was typed here and never saved, with the revision it began from. */
function unsaved(shelf: string): (Stored & { typed: string }) | null {
  try {
    const kept = JSON.parse(localStorage.getItem(shelf) ?? "null");
    return typeof kept?.typed === "string" && typeof kept?.revision === "number" ? kept : null;
  } catch {
    return null;
  }
}
