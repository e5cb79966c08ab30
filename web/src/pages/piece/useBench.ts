import { useCallback, useEffect, useRef, useState } from "react";
import { keptOf, offline, type Schemas, type Trouble } from "../../api/client";
import { type Changes, useChange, useDraft, useSaveScript, type Whose } from "../../api/queries";
import { type Saving, type Stored, useAutosave } from "../../components/useAutosave";
import { useCalm } from "../../components/useCalm";
import { useClicks } from "./useClicks";

type Piece = Schemas["Piece"];
type Page = Schemas["Page"];
/** Theirs, when someone else was quicker, and both put together. */
type Stale = Stored<string> & Schemas["KeptPage"];

const STEPS_KEPT = 200;
// Milliseconds until saving is tried again without a connection.
const AGAIN = 3000;
// Milliseconds after which what was typed is one step back, and is saved.
const REST = 700;

/** A piece at work. The script is what is changed, by typing or by clicking;
 * the page follows from it, and it saves itself. */
export function useBench(piece: Piece, whose: Whose) {
  const shelf = `stairwell-draft/${piece.id}/${whose}`;
  const save = useSaveScript(piece.id, whose);
  const [readable, setReadable] = useState<boolean | "unknown">("unknown");
  const kept = useAutosave<string, Piece, Stale>({
    shelf,
    stored: { value: piece.script, version: piece.revision },
    sending: {
      ...save,
      mutateAsync: ({ value, version }) => save.mutateAsync({ script: value, revision: version }),
      variables: save.variables && {
        value: save.variables.script,
        version: save.variables.revision,
      },
    },
    versionOf: (saved) => saved.revision,
    theirs: (trouble) => {
      const page = keptOf(trouble, "page");
      return page && { ...page, value: page.script, version: page.revision };
    },
    ready: readable,
    rest: REST,
  });
  const { value: script, set: setScript, stale } = kept;
  const history = useRef<{ past: string[]; future: string[] }>({ past: [], future: [] });
  const newest = useRef(script);
  newest.current = script;
  const calm = useCalm(script);
  const rested = useCalm(script, REST);
  const draft = useDraft(piece.id, whose, calm);
  const change = useChange(piece.id, whose);
  const shown = useRef<Page>(piece);
  if (draft.data?.piece && calm === script) shown.current = draft.data.piece;
  // As long as there is a page to save.
  useEffect(() => setReadable(draft.data ? draft.data.piece !== null : "unknown"), [draft.data]);

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

  // What cannot be drawn without a connection is drawn when it is back.
  const blind = offline(draft.error);
  // biome-ignore lint/correctness/useExhaustiveDependencies: only being blind sets it off
  useEffect(() => {
    if (!blind) return;
    const timer = setInterval(draft.refetch, AGAIN);
    return () => clearInterval(timer);
  }, [blind]);

  // What others changed is one more step that can be taken back.
  const settle = (to: string) => {
    if (to !== newest.current) remember(newest.current);
    rest.current = to;
    kept.settle(to);
  };
  const away = blind || clicks.away;
  const saving: Saving =
    away && kept.state !== "stale"
      ? "offline"
      : kept.state === "saved" && clicks.waiting
        ? "waiting"
        : kept.state;

  return {
    piece: draft.data?.piece ?? piece,
    readable: !draft.data || draft.data.piece !== null,
    script,
    type: setScript,
    set,
    apply,
    problems: draft.data?.problems ?? [],
    busy: change.isPending,
    trouble: [change.error, draft.error].find((error) => error && !offline(error)) as
      | Trouble
      | undefined,
    forget: change.reset,
    undo: history.current.past.length > 0 ? undo : undefined,
    redo: history.current.future.length > 0 ? redo : undefined,
    revision: kept.version,
    saving,
    stale,
    settle,
    stopped: kept.trouble,
    again: kept.again,
  };
}

export type Bench = ReturnType<typeof useBench>;
