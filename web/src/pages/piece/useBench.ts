import { useCallback, useEffect, useRef, useState } from "react";
import { offline, type Schemas, type Trouble } from "../../api/client";
import { type Changes, useChange, useDraft, useSaveScript, type Whose } from "../../api/queries";
import { useCalm } from "../../components/useCalm";
import { useClicks } from "./useClicks";

type Piece = Schemas["Piece"];
type Page = Schemas["Page"];
/** What is stored: the script and the revision it is. */
type Stored = { script: string; revision: number };
/** Theirs, when someone else was quicker, and both put together. */
export type Stale = Stored & { by: string | null; merged: string };
export type Saving = "saved" | "waiting" | "saving" | "offline" | "stopped" | "stale";

const STEPS_KEPT = 200;
// Milliseconds until saving is tried again without a connection.
const AGAIN = 3000;

/** A piece at work. The script is what is changed, by typing or by clicking;
 * the page follows from it, and it saves itself. */
export function useBench(piece: Piece, whose: Whose) {
  const shelf = `stairwell-draft/${piece.id}/${whose}`;
  const [stored, setStored] = useState<Stored>(() => unsaved(shelf) ?? piece);
  const [script, setScript] = useState(() => unsaved(shelf)?.typed ?? piece.script);
  const history = useRef<{ past: string[]; future: string[] }>({ past: [], future: [] });
  const newest = useRef(script);
  newest.current = script;
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
  /** A click: statements into the script and out of it. */
  const clicks = useClicks(shelf, async (said) => {
    const made = await change.mutateAsync({ script: newest.current, ...said });
    set(made.script);
    if (made.piece) shown.current = made.piece;
    return made;
  });
  const apply = (changes: Changes | ((page: Page) => Changes)): Promise<boolean> =>
    clicks.click(() => (typeof changes === "function" ? changes(shown.current) : changes));

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

  // Without a connection it is tried again, until it is back.
  const away = offline(save.error) || offline(draft.error) || clicks.away;
  // biome-ignore lint/correctness/useExhaustiveDependencies: only being away sets it off
  useEffect(() => {
    if (!away) return;
    const again = () => {
      if (offline(draft.error)) draft.refetch();
      if (offline(save.error)) save.reset();
    };
    const timer = setInterval(again, AGAIN);
    window.addEventListener("online", again);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", again);
    };
  }, [away, draft.error, save.error]);

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
    : away
      ? "offline"
      : save.error
        ? "stopped"
        : save.isPending
          ? "saving"
          : changed || clicks.waiting
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
    trouble: [change.error, draft.error].find((error) => error && !offline(error)) as Trouble | undefined,
    forget: change.reset,
    undo: history.current.past.length > 0 ? undo : undefined,
    redo: history.current.future.length > 0 ? redo : undefined,
    revision: stored.revision,
    saving,
    stale,
    settle,
    stopped: stale || away ? null : save.error,
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
