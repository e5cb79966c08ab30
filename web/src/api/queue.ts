import { useCallback, useEffect, useRef, useState } from "react";
import { Trouble } from "./client";

// Milliseconds until it is tried again without a connection.
const AGAIN = 3000;

/** What was said waits here until the server has it: it outlives a lost
 * connection and a closed laptop, and its key makes it count once. */
export function useQueue<Item extends { key: string }, Out>(
  name: string,
  send: (item: Item) => Promise<Out>,
  onSent: (out: Out) => void,
  onRefused: (item: Item) => void = () => {},
) {
  const [waiting, setWaiting] = useState<Item[]>(() => stored(name));
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const busy = useRef(false);
  const doing = useRef({ send, onSent, onRefused });
  doing.current = { send, onSent, onRefused };

  const keep = useCallback(
    (items: Item[]) => {
      localStorage.setItem(name, JSON.stringify(items));
      setWaiting(items);
    },
    [name],
  );

  const flush = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    try {
      for (let item = stored<Item>(name)[0]; item; item = stored<Item>(name)[0]) {
        const key = item.key;
        const out = await doing.current.send(item);
        keep(stored<Item>(name).filter((one) => one.key !== key));
        // That something was refused is told until one goes on.
        setTrouble((before) => (before && forGood(before) ? before : null));
        doing.current.onSent(out);
      }
    } catch (error) {
      const met = error instanceof Trouble ? error : null;
      setTrouble(met);
      // What the server refuses for good does not stand in the way of the rest.
      if (met && forGood(met)) {
        const [refused, ...rest] = stored<Item>(name);
        keep(rest);
        if (refused) doing.current.onRefused(refused);
      }
    } finally {
      busy.current = false;
    }
  }, [name, keep]);

  useEffect(() => {
    if (waiting.length === 0) return;
    flush();
    const timer = setInterval(flush, AGAIN);
    window.addEventListener("online", flush);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", flush);
    };
  }, [waiting.length, flush]);

  const push = (item: Item) => {
    setTrouble((before) => (before && forGood(before) ? null : before));
    keep([...stored<Item>(name), item]);
    flush();
  };
  return { waiting, push, trouble, offline: trouble?.problem.code === "offline" };
}

// Signed out, too slow, too often: it goes once that is over.
const PASSES = [401, 408, 429];

const forGood = ({ problem }: Trouble) =>
  problem.code !== "offline" && problem.status < 500 && !PASSES.includes(problem.status);

function stored<Item>(name: string): Item[] {
  try {
    return JSON.parse(localStorage.getItem(name) ?? "[]");
  } catch {
    return [];
  }
}
