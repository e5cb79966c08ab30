import { useEffect, useState } from "react";

/** The key in a link that was mailed: behind the #, and gone from the address at once, so
 * that it stays in no history. */
export function useKey(): string {
  const [key] = useState(() => window.location.hash.slice(1));
  useEffect(() => window.history.replaceState(null, "", window.location.pathname), []);
  return key;
}
