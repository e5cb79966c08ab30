import { useEffect, useState } from "react";

/** The key in a link that was mailed: behind the #, and gone from the address at once, so
 * that it stays in no history. Another link in the same tab brings another key. */
export function useKey(): string {
  const [key, setKey] = useState(() => window.location.hash.slice(1));
  useEffect(() => {
    const read = () => {
      if (!window.location.hash) return;
      setKey(window.location.hash.slice(1));
      window.history.replaceState(null, "", window.location.pathname);
    };
    read();
    window.addEventListener("hashchange", read);
    return () => window.removeEventListener("hashchange", read);
  }, []);
  return key;
}
