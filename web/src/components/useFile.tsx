import { type ReactNode, useRef } from "react";

/** A file that is chosen by a button of one's own: the field that takes it, and what opens it. The
 * same file can be chosen twice in a row. */
export function useFile(label: string, accept: string, onFile: (file: File) => void) {
  const picker = useRef<HTMLInputElement>(null);
  const input: ReactNode = (
    <input
      ref={picker}
      type="file"
      accept={accept}
      aria-label={label}
      hidden
      onChange={(event) => {
        const file = event.target.files?.[0];
        if (file) onFile(file);
        event.target.value = "";
      }}
    />
  );
  return { input, choose: () => picker.current?.click() };
}
