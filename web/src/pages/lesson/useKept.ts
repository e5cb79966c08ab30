import { useEffect, useRef, useState } from "react";
import { useWriteLesson } from "../../api/queries";
import { useCalm } from "../../components/useCalm";
import type { Lesson } from "./results";

type Words = string | null;
/** Words typed and not kept yet, with what they were typed over. */
type Waiting = { typed: Words; over: Words; version: number };

/** Keeps what is typed, a moment after the last key; what could not be kept stays in
 * the browser. It is kept over what was seen when it was typed, so that a second
 * teacher's words are shown and never written over unseen. */
export function useKept(lesson: Lesson, field: "recap" | "notes") {
  const place = `stairwell-${field}-${lesson.student.id}-${lesson.today}`;
  const now = lesson.lesson;
  const stored: Words = now[field];
  const [before] = useState(() => waiting(place));
  const [typed, setTyped] = useState<Words>(before ? before.typed : stored);
  const seen = useRef({ version: before?.version ?? now.version, text: before ? before.over : stored });
  const sent = useRef<Words | undefined>(undefined);
  const write = useWriteLesson(lesson.student.id);
  const calm = useCalm(typed);
  const stale = write.error?.problem.code === "stale" ? (write.error.problem.kept as Lesson["lesson"]) : null;

  // What stands there now is what was seen, or my own: I write over it. Where I have
  // typed nothing, what another wrote comes in.
  const typing = typed !== seen.current.text;
  const mine = stored === seen.current.text || stored === sent.current;
  useEffect(() => {
    if (typing && !mine) return;
    seen.current = { version: now.version, text: stored };
    if (!typing) setTyped(stored);
    if (!typing || typed === stored) localStorage.removeItem(place);
    else keep(place, { typed, over: stored, version: now.version });
  }, [typing, mine, now.version, stored, typed, place]);

  const send = (text: Words, version: number) => {
    sent.current = text;
    write.mutate({ [field]: text, version });
  };
  const save = () => {
    if (!typing || typed === stored || write.isPending || stale) return;
    send(typed, seen.current.version);
  };
  // A moment after the last key, and once more when more was typed while it was
  // being kept; what was refused is not sent again by itself.
  const refused = write.isError && write.variables?.[field] === typed;
  // biome-ignore lint/correctness/useExhaustiveDependencies: only what was typed sets it off
  useEffect(() => {
    if (!refused) save();
  }, [calm, write.isPending]);

  const type = (text: string) => {
    keep(place, { typed: text, over: seen.current.text, version: seen.current.version });
    setTyped(text);
  };
  const put = (text: Words) => {
    localStorage.removeItem(place);
    setTyped(text);
    send(text, seen.current.version);
  };
  const takeTheirs = () => {
    if (!stale) return;
    localStorage.removeItem(place);
    seen.current = { version: stale.version, text: stale[field] };
    setTyped(stale[field]);
    write.reset();
  };
  const keepMine = () => stale && send(typed, stale.version);
  const waits = write.isPending || (typing && typed !== stored);
  return { typed, type, put, save, write, stale, waits, takeTheirs, keepMine };
}

function keep(place: string, words: Waiting) {
  localStorage.setItem(place, JSON.stringify(words));
}

function waiting(place: string): Waiting | null {
  try {
    return JSON.parse(localStorage.getItem(place) ?? "null");
  } catch {
    return null;
  }
}
