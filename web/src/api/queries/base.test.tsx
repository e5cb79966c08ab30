// @vitest-environment jsdom
import { QueryClient, QueryClientProvider, useQuery } from "@tanstack/react-query";
import { act, cleanup, renderHook, waitFor } from "@testing-library/react";
import type { ReactNode } from "react";
import { afterEach, expect, test } from "vitest";
import { useSave } from "./base";

afterEach(cleanup);

/** A server that keeps what it is sent and answers with all of it, as it stood when it was
 * asked; the first answer takes long. */
function slowFirst() {
  const kept: string[] = [];
  const waiting: (() => void)[] = [];
  const save = (value: string) => {
    kept.push(value);
    const answer = [...kept];
    return kept.length > 1
      ? Promise.resolve(answer)
      : new Promise<string[]>((done) => waiting.push(() => done(answer)));
  };
  return { save, asked: () => kept.length, answer: () => waiting.shift()?.() };
}

function shown(turn?: string) {
  const server = slowFirst();
  const cache = new QueryClient();
  cache.setQueryData(["shown"], []);
  const wrapper = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={cache}>{children}</QueryClientProvider>
  );
  const { result } = renderHook(
    () => ({
      save: useSave(server.save, { into: () => ["shown"], turn }),
      shown: useQuery({ queryKey: ["shown"], queryFn: () => [] as string[], enabled: false }),
    }),
    { wrapper },
  );
  return { server, cache, result };
}

test("answers that come the wrong way round show the last one, where savings take turns", async () => {
  const { server, cache, result } = shown("a turn");
  act(() => {
    result.current.save.mutate("first");
    result.current.save.mutate("second");
  });
  await waitFor(() => expect(server.asked()).toBe(1));
  await act(async () => server.answer());
  await waitFor(() => expect(cache.getQueryData(["shown"])).toEqual(["first", "second"]));
  await new Promise((done) => setTimeout(done, 20));
  expect(cache.getQueryData(["shown"])).toEqual(["first", "second"]);
});

test("savings without a turn go at once", async () => {
  const { server, cache, result } = shown();
  act(() => {
    result.current.save.mutate("first");
    result.current.save.mutate("second");
  });
  await waitFor(() => expect(cache.getQueryData(["shown"])).toEqual(["first", "second"]));
  await act(async () => server.answer());
});
