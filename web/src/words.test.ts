import { expect, test, vi } from "vitest";
import { begin, language, speak, t, teach } from "./words";

test("a count takes the plural its language has", () => {
  const said = [0, 1, 2].map((count) => t("today.today_page.lessons", { count }));
  expect(said).toEqual(["No lessons today", "1 lesson today", "2 lessons today"]);
});

// CLDR: Russian has one (1, 21), few (2 to 4) and many.
test("another language brings plurals of its own", async () => {
  teach("ru", {
    tap: { one: "%{count} a", few: "%{count} b", many: "%{count} c", other: "%{count} d" },
  });
  await speak("ru");
  expect([1, 3, 5, 21].map((count) => t("tap", { count }))).toEqual(["1 a", "3 b", "5 c", "21 a"]);
  await speak("en");
});

test("what a person typed is put in as it is", () => {
  expect(t("components.states.open")).toBe("open");
  expect(
    t("components.notice.opening", { what: "%{what} <b>$t(components.states.open)</b> $& {{x}}" }),
  ).toBe("Opening %{what} <b>$t(components.states.open)</b> $& {{x}} …");
});

test("a language's texts are fetched once, and without them the one before goes on", async () => {
  const answers = vi.fn(async () => new Response(JSON.stringify({ yes: "ja" })));
  vi.stubGlobal("fetch", answers);
  vi.stubGlobal("document", {
    querySelector: () => ({ content: JSON.stringify({ de: "/texts/de-1.json" }) }),
  });
  await speak("de");
  await speak("en");
  await speak("de");
  expect([answers.mock.calls, t("yes"), language()]).toEqual([[["/texts/de-1.json"]], "ja", "de"]);
  await speak("en");
  vi.stubGlobal("fetch", async () => new Response("", { status: 404 }));
  await expect(speak("nl")).rejects.toThrow("nl");
  expect([language(), t("components.states.open")]).toEqual(["en", "open"]);
  vi.unstubAllGlobals();
});

test("a first language is asked for until it comes, if only English", async () => {
  vi.useFakeTimers();
  const asked: string[] = [];
  vi.stubGlobal("fetch", async (address: string) => {
    asked.push(address);
    if (asked.length < 3) throw new TypeError("no connection");
    return new Response(JSON.stringify({ yes: "yes" }));
  });
  vi.stubGlobal("document", {
    querySelector: () => ({ content: JSON.stringify({ en: "/texts/en-1.json" }) }),
  });
  const begun = begin("tlh");
  await vi.advanceTimersByTimeAsync(10_000);
  await begun;
  expect([asked, t("yes")]).toEqual([Array(3).fill("/texts/en-1.json"), "yes"]);
  await speak("en");
  vi.unstubAllGlobals();
  vi.useRealTimers();
});
