import { Box, Text } from "@chakra-ui/react";
import { useEffect, useState, useSyncExternalStore } from "react";
import { t } from "../words";
import { engrave, engraverProgress } from "./engraving";
import { Waiting } from "./Notice";

type EngravedProps = {
  score: string | undefined;
  /** Indexes of bars. */
  from: number;
  to: number;
  /** Of the screen, in pixels. */
  width: number;
};

/** Bars of a score in notation; the engraver is loaded when it is first needed. */
export function Engraved({ score, from, to, width }: EngravedProps) {
  const [drawn, setDrawn] = useState<{ of: string; svg: string } | null>(null);
  const [failed, setFailed] = useState(false);
  const of = from === to ? String(from) : `${from}–${to}`;

  useEffect(() => {
    if (!score) return;
    let current = true;
    setFailed(false);
    engrave(score, from, to, width)
      .then((svg) => current && setDrawn({ of, svg }))
      .catch(() => current && setFailed(true));
    return () => {
      current = false;
    };
  }, [score, from, to, width, of]);

  if (failed) return <Text color="brick">{t("components.engraved.cannot_be_engraved")}</Text>;
  return (
    <>
      {drawn?.of !== of && <Coming />}
      {drawn && (
        <Box
          role="img"
          aria-label={t("components.engraved.notes_of", { bars: of, count: to - from + 1 })}
          bg="white"
          p="6px"
          borderRadius="3px"
          css={{
            "& svg": { width: "100%", height: "auto", color: "black" },
            "& ellipse, & path, & polygon, & polyline, & rect": { stroke: "currentColor" },
          }}
          // biome-ignore lint/security/noDangerouslySetInnerHtml: drawn by the engraver in this page from the studio's own score
          dangerouslySetInnerHTML={{ __html: drawn.svg }}
        />
      )}
    </>
  );
}

const MEGABYTE = 1_000_000;

/** That the notes are on their way, and how far the engraver has come. */
function Coming() {
  const { here, of } = useSyncExternalStore(engraverProgress.watch, engraverProgress.now);
  const megabytes = (bytes: number) => (bytes / MEGABYTE).toFixed(1);
  return (
    <>
      <Waiting what={t("components.engraved.the_notes")} />
      {here < of && (
        <Text as="label" display="block" color="soft" fontSize="sm">
          <progress
            value={here}
            max={of}
            style={{ accentColor: "var(--chakra-colors-rail)", width: "5rem" }}
          />{" "}
          {t("components.engraved.engraver_comes", { here: megabytes(here), of: megabytes(of) })}
        </Text>
      )}
    </>
  );
}
