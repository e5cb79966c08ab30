import { Box } from "@chakra-ui/react";
import { type ReactNode, useEffect, useRef, useState } from "react";
import { Button } from "../../components/Button";
import { t } from "../../words";

// Rows drawn at first, and more at a time.
const SOME = 60;

/** The first of many rows, and what brings the next ones: scrolling to it, or its
 * button. */
export function useMore<Row>(rows: Row[]): [Row[], ReactNode] {
  const [count, setCount] = useState(SOME);
  const end = useRef<HTMLDivElement>(null);
  const left = rows.length - count;
  useEffect(() => {
    if (left <= 0 || !end.current) return;
    const seen = new IntersectionObserver(
      ([one]) => one?.isIntersecting && setCount(count + SOME),
      {
        rootMargin: "600px",
      },
    );
    seen.observe(end.current);
    return () => seen.disconnect();
  }, [count, left]);
  if (left <= 0) return [rows, null];
  return [
    rows.slice(0, count),
    <Box key="more" ref={end} p="10px 16px">
      <Button size="sm" onClick={() => setCount(count + SOME)}>
        {t("studio.use_more.show_more_of", { more: Math.min(SOME, left), of: rows.length })}
      </Button>
    </Box>,
  ];
}
