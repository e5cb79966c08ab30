import type { ComponentProps } from "react";

/** Yes or no, with its words beside it. */
export function Tick({ children, ...field }: ComponentProps<"input">) {
  return (
    <label style={{ display: "flex", gap: 8, alignItems: "center", minHeight: 28 }}>
      <input type="checkbox" {...field} />
      <span>{children}</span>
    </label>
  );
}
