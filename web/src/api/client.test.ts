import { afterEach, beforeEach, expect, test, vi } from "vitest";
import { api, ask, newKey, offline, rememberToken, Trouble } from "./client";

type Sent = { method: string; path: string; token: string | null; body: string };
let sent: Sent[];
let answers: (Response | Error)[];

const json = (status: number, body: unknown) =>
  new Response(JSON.stringify(body), { status, headers: { "Content-Type": "application/json" } });
const refusal = (code: string, status = 403) =>
  json(status, { title: "Not allowed", status, code, detail: "Reload the page." });

beforeEach(() => {
  sent = [];
  answers = [];
  // Node's requests need a whole address; the browser's take its own.
  const Whole = class extends Request {
    constructor(input: RequestInfo | URL, init?: RequestInit) {
      super(typeof input === "string" ? new URL(input, "http://studio.test") : input, init);
    }
  };
  vi.stubGlobal("Request", Whole);
  vi.stubGlobal("fetch", async (input: Request | string) => {
    const request = typeof input === "string" ? new Request(input) : input;
    sent.push({
      method: request.method,
      path: new URL(request.url).pathname,
      token: request.headers.get("X-CSRF-Token"),
      body: await request.text(),
    });
    const answer = answers.shift();
    if (!answer) throw new Error("nobody answers");
    if (answer instanceof Error) throw answer;
    return answer;
  });
  rememberToken("old");
});
afterEach(() => vi.unstubAllGlobals());

const signIn = () =>
  ask(
    api.POST("/api/login", {
      body: { email: "ada@studio.test", password: "secret" },
      Request: globalThis.Request,
    }),
  );

test("a changing request carries the token it was told", async () => {
  answers = [json(200, { ok: true })];
  await signIn();
  expect(sent).toMatchObject([{ method: "POST", path: "/api/login", token: "old" }]);
});

test("a renewed session's token is asked for once, and the same body goes again", async () => {
  answers = [refusal("csrf"), json(200, { csrf: "new" }), json(200, { ok: true })];
  expect(await signIn()).toEqual({ ok: true });
  expect(sent.map((one) => [one.method, one.token])).toEqual([
    ["POST", "old"],
    ["GET", null],
    ["POST", "new"],
  ]);
  expect(sent[2]?.body).toBe(sent[0]?.body);
  expect(JSON.parse(sent[2]?.body ?? "")).toEqual({ email: "ada@studio.test", password: "secret" });
});

test("a second refusal is told, not tried for ever", async () => {
  answers = [refusal("csrf"), json(200, { csrf: "new" }), refusal("csrf")];
  await expect(signIn()).rejects.toMatchObject({ problem: { code: "csrf" } });
  expect(sent).toHaveLength(3);
});

test("what is forbidden for another reason is not sent twice", async () => {
  answers = [refusal("forbidden")];
  await expect(signIn()).rejects.toMatchObject({ problem: { code: "forbidden" } });
  expect(sent).toHaveLength(1);
});

test("a refusal keeps what the server said, word for word", async () => {
  answers = [
    json(422, {
      title: "Not saved",
      status: 422,
      code: "invalid",
      detail: "Line 3: bar 40 is not on the page.",
    }),
  ];
  await expect(signIn()).rejects.toMatchObject({ message: "Line 3: bar 40 is not on the page." });
});

test("without a connection the trouble is one that can be tried again", async () => {
  answers = [new TypeError("Failed to fetch")];
  const trouble = await signIn().catch((error) => error);
  expect(offline(trouble)).toBe(true);
  expect(trouble).toBeInstanceOf(Trouble);
});

test("a keyless answer, as of a proxy in front, does not pass for one of ours", async () => {
  answers = [json(502, { error: "bad gateway" })];
  await expect(signIn()).rejects.toMatchObject({
    message: "The server sent an answer that makes no sense. Try again.",
  });
});

// RFC 9562, section 5.4: version 4, variant 10.
test("keys are random UUIDs, without crypto.randomUUID too", () => {
  const keys = Array.from({ length: 200 }, newKey);
  for (const key of keys)
    expect(key).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-4[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
  expect(new Set(keys).size).toBe(200);
});
