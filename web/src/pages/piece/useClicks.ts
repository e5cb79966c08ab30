import { useCallback, useEffect, useRef, useState } from "react";
import { offline } from "../../api/client";
import type { Changes, Draft } from "../../api/queries";

// Milliseconds until it is tried again without a connection.
const AGAIN = 3000;

/** Clicks on a page, one after another: each says statements into the script and
 * out of it, and what that gives only the server knows. Without a connection they
 * wait in this browser, and go in when it is back. */
export function useClicks(shelf: string, put: (changes: Changes) => Promise<Draft>) {
  const place = `${shelf}/clicks`;
  const [waiting, setWaiting] = useState<Changes[]>(() => stored(place));
  const [away, setAway] = useState(false);
  const queue = useRef<Promise<boolean>>(Promise.resolve(true));
  const doing = useRef(put);
  doing.current = put;

  const keep = useCallback(
    (clicks: Changes[]) => {
      if (clicks.length) localStorage.setItem(place, JSON.stringify(clicks));
      else localStorage.removeItem(place);
      setWaiting(clicks);
    },
    [place],
  );

  /** Puts in what waits, the oldest first; what makes no sense any more is told and
   * does not stand in the way of the rest. */
  const flush = useCallback(() => {
    queue.current = queue.current
      .catch(() => false)
      .then(async () => {
        for (let [click] = stored(place); click; [click] = stored(place)) {
          try {
            await doing.current(click);
            setAway(false);
          } catch (error) {
            setAway(offline(error));
            if (offline(error)) return false;
            keep(stored(place).slice(1));
            return false;
          }
          keep(stored(place).slice(1));
        }
        return true;
      });
    return queue.current;
  }, [place, keep]);

  useEffect(() => {
    if (waiting.length === 0) return;
    const timer = setInterval(flush, AGAIN);
    window.addEventListener("online", flush);
    return () => {
      clearInterval(timer);
      window.removeEventListener("online", flush);
    };
  }, [waiting.length, flush]);

  // What waited when the browser was closed.
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when the page is opened
  useEffect(() => {
    if (stored(place).length) flush();
  }, []);

  const click = (changes: Changes | (() => Changes)): Promise<boolean> => {
    // What is said depends on the page, so it is said when the clicks before it are in.
    queue.current = queue.current
      .catch(() => false)
      .then(() => {
        keep([...stored(place), typeof changes === "function" ? changes() : changes]);
        return true;
      });
    return flush();
  };
  return { click, waiting: waiting.length > 0, away: away && waiting.length > 0 };
}

function stored(place: string): Changes[] {
  try {
    return JSON.parse(localStorage.getItem(place) ?? "[]");
  } catch {
    return [];
  }
}
