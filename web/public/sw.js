// Keeps the week sheet at hand without a connection: the page and its files, and
// the sheet as it was last seen. Only what lies under /s/ is answered from here.
const KEPT = "stairwell-sheet-1";

self.addEventListener("install", () => self.skipWaiting());
self.addEventListener("activate", (event) => event.waitUntil(self.clients.claim()));

async function newest(request) {
  const kept = await caches.open(KEPT);
  try {
    const answer = await fetch(request);
    if (answer.ok) await kept.put(request, answer.clone());
    return answer;
  } catch (error) {
    const found = await kept.match(request);
    if (found) return found;
    throw error;
  }
}

async function first(request) {
  const kept = await caches.open(KEPT);
  const found = await kept.match(request);
  if (found) return found;
  const answer = await fetch(request);
  if (answer.ok) await kept.put(request, answer.clone());
  return answer;
}

self.addEventListener("fetch", (event) => {
  const { request } = event;
  const { pathname, origin } = new URL(request.url);
  if (request.method !== "GET" || origin !== self.location.origin) return;
  if (pathname.startsWith("/assets/")) event.respondWith(first(request));
  else if (pathname.startsWith("/s/") || pathname.startsWith("/api/sheet/")) event.respondWith(newest(request));
});
