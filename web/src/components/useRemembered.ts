import { useState } from "react";

/** Whether something is open or on, as this browser was left. */
export function useRemembered(name: string) {
  const [on, setOn] = useState(() => localStorage.getItem(name) === "on");
  const set = (now: boolean) => {
    setOn(now);
    localStorage.setItem(name, now ? "on" : "off");
  };
  return [on, set] as const;
}
