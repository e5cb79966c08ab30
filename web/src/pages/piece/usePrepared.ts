import { useEffect } from "react";
import { prepareEngraver } from "../../components/engraving";

/** The engraver comes while one looks at the page, so that the notes are there at once. */
export function usePrepared(score: boolean) {
  useEffect(() => {
    if (!score) return;
    const timer = setTimeout(() => prepareEngraver().catch(() => {}), 1500);
    return () => clearTimeout(timer);
  }, [score]);
}
