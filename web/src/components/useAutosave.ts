import { useEffect, useRef, useState } from "react";
import { offline, type Trouble } from "../api/client";
import { useCalm } from "./useCalm";

/** Where what was typed is. */
export type Saving = "saved" | "waiting" | "saving" | "offline" | "stopped" | "stale";
export type Stored<V> = { value: V; version: number };
/** What is not saved yet, with what it was typed over. */
type Draft<V> = { typed: V; over: Stored<V> };

/** How something is sent; one of react-query's mutations. */
type Sending<V, Out> = {
  mutateAsync: (value: Stored<V>) => Promise<Out>;
  reset: () => void;
  isPending: boolean;
  error: Trouble | null;
  variables: Stored<V> | undefined;
};

type Options<V, Out, Theirs extends Stored<V>> = {
  /** The name under which this browser keeps what is not saved. */
  shelf: string;
  /** What the server has, as it was last loaded. */
  stored: Stored<V>;
  sending: Sending<V, Out>;
  versionOf: (out: Out) => number;
  /** What someone else stored, where they were quicker. */
  theirs: (trouble: Trouble | null) => Theirs | null;
  /** Whether what stands there now can be saved. */
  ready?: boolean | "unknown";
  /** Milliseconds after the last key. */
  rest?: number;
};

// Milliseconds until saving is tried again without a connection.
const AGAIN = 3000;

/** What one goes on from, where the server has something newer than was seen: it comes
 * in where nothing was typed, and is mine to write over where it is what I saw or sent.
 * @return null where someone else's words are in the way */
export function goOn<V>(
  stored: Stored<V>,
  over: Stored<V>,
  typed: V,
  sent: V | undefined,
): Stored<V> | null {
  const free = typed === over.value || typed === stored.value;
  const mine = stored.value === over.value || stored.value === sent;
  return free || mine ? stored : null;
}

/** The one way to keep what is typed: a moment after the last key, over what was seen
 * when it was typed. What cannot be saved stays in this browser and is tried again when
 * the connection is back; what someone else wrote is shown and never written over
 * unseen. */
export function useAutosave<V, Out, Theirs extends Stored<V>>(options: Options<V, Out, Theirs>) {
  const { shelf, stored, sending, versionOf, theirs, ready = true, rest } = options;
  const [draft] = useState(() => kept<V>(shelf));
  const [over, setOver] = useState<Stored<V>>(draft?.over ?? stored);
  const [value, setValue] = useState<V>(draft ? draft.typed : stored.value);
  const sent = useRef<V | undefined>(undefined);
  /** What is on its way, and what the server will then have. */
  const flying = useRef<Promise<Stored<V>> | null>(null);
  const calm = useCalm(value, rest);
  const changed = value !== over.value;
  const away = offline(sending.error);
  const stale = theirs(sending.error);
  // What was refused is not sent again by itself.
  const refused = sending.error !== null && !away && sending.variables?.value === value;

  const send = (next: V, version: number) => {
    sent.current = next;
    const going = sending.mutateAsync({ value: next, version }).then((out) => ({
      value: next,
      version: versionOf(out),
    }));
    flying.current = going;
    const landed = () => {
      if (flying.current === going) flying.current = null;
    };
    const gone = (now: Stored<V>) => {
      landed();
      setOver(now);
    };
    // What went wrong is in `sending`.
    going.then(gone, landed);
  };
  const save = () => {
    // As long as something flies, nobody knows over which version the next one goes.
    if (changed && ready === true && !flying.current && !stale && !refused)
      send(value, over.version);
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was typed, and that it can be sent, sets it off
  useEffect(() => {
    if (calm === value && !away) save();
  }, [calm, value, over, ready, sending.isPending, sending.error]);

  // biome-ignore lint/correctness/useExhaustiveDependencies: what the server has sets it off
  useEffect(() => {
    if (stored.version <= over.version || sending.isPending) return;
    const from = goOn(stored, over, value, sent.current);
    if (!from) return;
    if (!changed) setValue(stored.value);
    setOver(from);
  }, [stored.version, stored.value, sending.isPending]);

  useEffect(() => {
    if (changed)
      localStorage.setItem(shelf, JSON.stringify({ typed: value, over } satisfies Draft<V>));
    else localStorage.removeItem(shelf);
  }, [shelf, changed, value, over]);

  // Whoever goes elsewhere does not wait for a rest: it is saved at once.
  const leaving = useRef(() => {});
  leaving.current = () => {
    // What nobody has looked at yet is sent all the same: the server says whether it can be.
    if (!changed || ready === false || stale) return;
    const from = flying.current ?? Promise.resolve(over);
    from
      .then((seen) =>
        seen.value === value ? undefined : sending.mutateAsync({ value, version: seen.version }),
      )
      .catch(() => {}); // This browser has it.
  };
  useEffect(() => () => leaving.current(), []);

  const { reset } = sending;
  useEffect(() => {
    if (!away) return;
    const timer = setInterval(reset, AGAIN);
    window.addEventListener("online", reset);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", reset);
    };
  }, [away, reset]);

  /** Ends a conflict: with this on top of theirs. */
  const settle = (to: V) => {
    if (!stale) return;
    reset();
    setOver({ value: stale.value, version: stale.version });
    setValue(to);
  };

  // What they stored is what stands here.
  const agreed = stale !== null && stale.value === value;
  // biome-ignore lint/correctness/useExhaustiveDependencies: only that they are the same sets it off
  useEffect(() => {
    if (agreed) settle(value);
  }, [agreed]);

  return {
    value,
    set: setValue,
    /** At once, without a rest. */
    put: (next: V) => {
      setValue(next);
      send(next, over.version);
    },
    save,
    again: reset,
    stale,
    settle,
    version: over.version,
    state: stateOf({ stale, away, error: sending.error, pending: sending.isPending, changed }),
    trouble: stale || away ? null : sending.error,
  };
}

type At = { stale: unknown; away: boolean; error: unknown; pending: boolean; changed: boolean };

export function stateOf({ stale, away, error, pending, changed }: At): Saving {
  if (stale) return "stale";
  if (away) return "offline";
  if (error) return "stopped";
  if (pending) return "saving";
  return changed ? "waiting" : "saved";
}

/** What was typed here and never saved. */
function kept<V>(shelf: string): Draft<V> | null {
  try {
    const draft = JSON.parse(localStorage.getItem(shelf) ?? "null");
    return draft && "typed" in draft && typeof draft.over?.version === "number" ? draft : null;
  } catch {
    return null;
  }
}
