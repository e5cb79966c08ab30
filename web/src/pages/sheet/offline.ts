/** Lets the sheet be opened without a connection, where the address allows it. */
export async function keepAtHand() {
  if (!("serviceWorker" in navigator)) return;
  await navigator.serviceWorker.register("/sw.js", { scope: "/s/" });
  // What an older version kept.
  await caches.delete("stairwell-sheet-1");
}

/** Where a message that is being written stands on the phone. */
export const draftOf = (token: string) => `stairwell-draft-${token}`;

/** Erases what was kept of a sheet whose link no longer opens. */
export async function forget(token: string) {
  localStorage.removeItem(draftOf(token));
  if (!("caches" in window)) return;
  for (const name of await caches.keys()) {
    const cache = await caches.open(name);
    const kept = (await cache.keys()).filter((request) =>
      new URL(request.url).pathname.split("/").includes(token),
    );
    await Promise.all(kept.map((request) => cache.delete(request)));
  }
}
