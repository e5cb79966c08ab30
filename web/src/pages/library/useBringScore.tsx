import { type ReactNode, useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import type { useLoadScore } from "../../api/queries";
import { t } from "../../words";
import { LookOver } from "./LookOver";

type Load<Out> = Omit<ReturnType<typeof useLoadScore>, "mutate" | "data"> & {
  mutate: (
    said: Parameters<ReturnType<typeof useLoadScore>["mutate"]>[0],
    how: { onSuccess: (piece: Out) => void },
  ) => void;
};

/** Bringing a score: a file is chosen, and what the server asks about it stands until it is loaded or left. */
export function useBringScore<Out>(load: Load<Out>, onDone: (piece: Out) => void) {
  const picker = useRef<HTMLInputElement>(null);
  const [asked, setAsked] = useState<{ file: File; about: Schemas["LookOver"] } | null>(null);
  const about = load.error?.problem.look_over;
  if (about && load.variables && asked?.about !== about) setAsked({ file: load.variables.file, about });
  const bring = (said: Parameters<typeof load.mutate>[0]) =>
    load.mutate(said, {
      onSuccess: (piece) => {
        setAsked(null);
        onDone(piece);
      },
    });
  const input: ReactNode = (
    <input
      ref={picker}
      type="file"
      accept=".musicxml,.xml,.mxl"
      aria-label={t("library.library_page.score_file")}
      hidden
      onChange={(event) => {
        const file = event.target.files?.[0];
        if (file) bring({ file });
        event.target.value = "";
      }}
    />
  );
  const questions: ReactNode = asked && (
    <LookOver
      key={asked.file.name}
      asked={asked.about}
      busy={load.isPending}
      onLoad={(said) => bring({ file: asked.file, sure: true, ...said })}
      onLeave={() => {
        setAsked(null);
        load.reset();
      }}
    />
  );
  return { input, questions, choose: () => picker.current?.click(), trouble: about ? null : load.error };
}
