/** Lets the sheet be opened without a connection, where the address allows it. */
export async function keepAtHand() {
  if (!("serviceWorker" in navigator)) return;
  await navigator.serviceWorker.register("/sw.js", { scope: "/s/" });
  // What an older version kept.
  await caches.delete("stairwell-sheet-1");
}
