import { type Query, type QueryClient, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { api, type Schemas, WINDOW } from "./client";
import { aboutStudent } from "./queries/base";

type News = Schemas["News"];

// Milliseconds: until one asks again where nobody answered; until what was told is loaded, so that
// much of it is loaded once; until one listens again, so that where many are at work one does not
// ask all the time; and at least between two loadings.
const AGAIN = 700;
const GATHER = 120;
const BREATH = 400;
const REST = 900;
// Milliseconds after which a server that says nothing is taken for gone; it answers in half a
// minute.
const SILENT = 40_000;
// What is worked out from what one types: no news changes it.
const TRIED = [
  "reading",
  "draft",
  "offer",
  "assignment preview",
  "routine trial",
  "student list",
  "score",
];

const kept = (query: Query) => !TRIED.includes(String(query.queryKey[0]));

/** Listens for what others do as long as the page is looked at, and loads again what shows it.
 * @returns whether the server is there */
export function useNews() {
  const cache = useQueryClient();
  const [there, setThere] = useState(true);
  useEffect(() => {
    let listening: AbortController | null = null;
    const look = () => {
      listening?.abort();
      listening = document.visibilityState === "visible" ? new AbortController() : null;
      if (listening) listen(new Reloading(cache), listening.signal, setThere);
    };
    look();
    document.addEventListener("visibilitychange", look);
    return () => {
      document.removeEventListener("visibilitychange", look);
      listening?.abort();
    };
  }, [cache]);
  return there;
}

async function listen(reloading: Reloading, signal: AbortSignal, there: (is: boolean) => void) {
  let since = -1;
  while (!signal.aborted) {
    const begun = performance.now();
    const news = await asked(since, signal);
    if (signal.aborted) return;
    if (news === "signed out") return reloading.session();
    there(news !== null);
    // What happened meanwhile is not known: the place begins anew.
    if (!news) since = -1;
    for (const one of news ?? []) {
      if (one.channel === "/__status") {
        since = Math.max(...Object.values(one.data).filter((value) => typeof value === "number"));
        reloading.olderThan(Date.now());
      } else {
        since = Math.max(since, one.message_id);
        if (one.data.by !== WINDOW) reloading.about(one.data);
      }
    }
    if (performance.now() - begun < AGAIN && !news?.length) await pause(AGAIN);
    else if (news?.some((one) => one.channel !== "/__status")) await pause(BREATH);
  }
}

/** @returns null where the server is not there */
async function asked(since: number, signal: AbortSignal): Promise<News[] | null | "signed out"> {
  const silent = new AbortController();
  const end = () => silent.abort();
  signal.addEventListener("abort", end);
  const timer = setTimeout(end, SILENT);
  try {
    const params = { query: { since, window: WINDOW } };
    const { data, response } = await api.GET("/api/news", { params, signal: silent.signal });
    if (response.status === 401) return "signed out";
    return data ?? null;
  } catch {
    return null;
  } finally {
    clearTimeout(timer);
    signal.removeEventListener("abort", end);
  }
}

const pause = (milliseconds: number) => new Promise((done) => setTimeout(done, milliseconds));

/**
 * Loads again what shows something that was changed: at once, and not more often than a person can
 * read.
 */
class Reloading {
  private readonly students = new Set<number>();
  private all = false;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private last = 0;

  constructor(private readonly cache: QueryClient) {}

  about({ student_id }: News["data"]) {
    if (student_id === undefined) this.all = true;
    else this.students.add(student_id);
    this.soon();
  }

  /** What was loaded before one listened may have been changed unheard. */
  olderThan(time: number) {
    this.cache.invalidateQueries({
      predicate: (query) => kept(query) && query.state.dataUpdatedAt < time,
    });
  }

  session() {
    this.cache.invalidateQueries({ queryKey: ["session"] });
  }

  private soon() {
    this.timer ??= setTimeout(
      () => this.load(),
      Math.max(GATHER, this.last + REST - performance.now()),
    );
  }

  private load() {
    this.timer = undefined;
    this.last = performance.now();
    // An answer to what is being saved is newer than what would be loaded now.
    if (this.cache.isMutating() > 0) return this.soon();
    if (this.all) this.cache.invalidateQueries({ predicate: kept });
    else
      for (const id of this.students)
        for (const queryKey of [...aboutStudent(id), ["messages", id]])
          this.cache.invalidateQueries({ queryKey });
    this.students.clear();
    this.all = false;
  }
}
