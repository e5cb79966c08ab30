import { type ReactNode, useState } from "react";
import type { Schemas } from "../../api/client";
import type { useLoadScore } from "../../api/queries";
import { useFile } from "../../components/useFile";
import { t } from "../../words";
import { LookOver } from "./LookOver";

type Load<Out> = Omit<ReturnType<typeof useLoadScore>, "mutate" | "data"> & {
  mutate: (
    said: Parameters<ReturnType<typeof useLoadScore>["mutate"]>[0],
    how: { onSuccess: (piece: Out) => void },
  ) => void;
};

/**
 * Bringing a score: a file is chosen, and what the server asks about it stands until it is loaded
 * or left.
 */
export function useBringScore<Out>(load: Load<Out>, onDone: (piece: Out) => void) {
  const [asked, setAsked] = useState<{ file: File; about: Schemas["LookOver"] } | null>(null);
  const about = load.error?.problem.look_over;
  if (about && load.variables && asked?.about !== about)
    setAsked({ file: load.variables.file, about });
  const bring = (said: Parameters<typeof load.mutate>[0]) =>
    load.mutate(said, {
      onSuccess: (piece) => {
        setAsked(null);
        onDone(piece);
      },
    });
  const { input, choose } = useFile(
    t("library.library_page.score_file"),
    ".musicxml,.xml,.mxl",
    (file) => bring({ file }),
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
  return { input, questions, choose, trouble: about ? null : load.error };
}
