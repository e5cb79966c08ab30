import createClient from "openapi-fetch";
import { t } from "../words";
import { counted } from "./flying";
import type { components, paths } from "./schema";

export type Schemas = components["schemas"];

/** What the server says went wrong: what, where, and how to mend it. */
export class Trouble extends Error {
  constructor(readonly problem: Schemas["Problem"]) {
    super(problem.detail);
  }
}

/** Whether the server was not reached at all, so that it is worth trying again. */
export const offline = (error: unknown) =>
  error instanceof Trouble && error.problem.code === "offline";

type Kept = NonNullable<Schemas["Problem"]["kept"]>;

/** What is stored now, where someone else was quicker. */
export function keptOf<What extends Kept["what"]>(
  error: unknown,
  what: What,
): Extract<Kept, { what: What }> | null {
  const kept =
    error instanceof Trouble && error.problem.code === "stale" ? error.problem.kept : undefined;
  return kept?.what === what ? (kept as Extract<Kept, { what: What }>) : null;
}

const unreached = (): Schemas["Problem"] => ({
  title: t("api.client.no_connection"),
  status: 0,
  code: "offline",
  detail: t("api.client.cannot_be_reached"),
});

let csrf = "";

/** This window, as the server tells it from the person's others. */
export const WINDOW = Array.from(crypto.getRandomValues(new Uint8Array(10)), (byte) =>
  (byte % 36).toString(36),
).join("");
// Whoever listens for news waits on purpose.
const LISTENING = "/api/news";

/** Changing requests carry the session's token. */
export function rememberToken(token: string) {
  csrf = token;
}

/** A session that was renewed meanwhile, by signing out or in another tab, has
 * another token: it is asked for once, and the request goes again. */
async function carryToken(request: Request): Promise<Response> {
  if (request.method === "GET") return fetch(request);
  request.headers.set("X-Window", WINDOW);
  const again = request.clone();
  request.headers.set("X-CSRF-Token", csrf);
  const response = await fetch(request);
  if (response.status !== 403 || (await codeOf(response)) !== "csrf") return response;
  const session: Schemas["Session"] = await (await fetch("/api/session")).json();
  rememberToken(session.csrf);
  again.headers.set("X-CSRF-Token", csrf);
  return fetch(again);
}

async function codeOf(response: Response): Promise<string | undefined> {
  try {
    return (await response.clone().json()).code;
  } catch {
    return undefined;
  }
}

export const api = createClient<paths>({
  baseUrl: "/",
  fetch: (request) =>
    new URL(request.url).pathname === LISTENING ? fetch(request) : counted(carryToken(request)),
});

api.use({ onError: () => new Trouble(unreached()) });

/** Awaits a call and gives its data, or throws what went wrong. */
export async function ask<T>(
  call: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<T> {
  const { data, error, response } = await call;
  if (response.ok && data !== undefined) return data;
  const problem = error as Partial<Schemas["Problem"]> | undefined;
  if (problem?.detail) throw new Trouble(problem as Schemas["Problem"]);
  throw new Trouble({
    ...unreached(),
    status: response.status,
    detail: t("api.client.the_server_gave_an_answer_that"),
  });
}

/** A key made here, so that the same mark sent twice counts once. Plain HTTP in
 * the house has no crypto.randomUUID, so it is put together by hand. */
export function newKey() {
  const bytes = crypto.getRandomValues(new Uint8Array(16));
  bytes[6] = ((bytes[6] ?? 0) & 0x0f) | 0x40;
  bytes[8] = ((bytes[8] ?? 0) & 0x3f) | 0x80;
  const hex = [...bytes].map((byte) => byte.toString(16).padStart(2, "0")).join("");
  return [
    hex.slice(0, 8),
    hex.slice(8, 12),
    hex.slice(12, 16),
    hex.slice(16, 20),
    hex.slice(20),
  ].join("-");
}
