import { Box } from "@chakra-ui/react";
import { type ReactNode, useEffect, useRef } from "react";

/** The order of playing stays in sight while the page goes by. */
export function Order({ children }: { children: ReactNode }) {
  const place = useRef<HTMLDivElement>(null);
  // It covers nothing that is gone to: what is scrolled into sight stops above it.
  useEffect(() => {
    const one = place.current;
    if (!one) return;
    const root = document.documentElement.style;
    const watch = new ResizeObserver(() => {
      root.scrollPaddingBottom =
        getComputedStyle(one).position === "sticky" ? `${one.offsetHeight + 8}px` : "";
    });
    watch.observe(one);
    return () => {
      watch.disconnect();
      root.scrollPaddingBottom = "";
    };
  }, []);
  return (
    <Box
      ref={place}
      mt="10px"
      pb="8px"
      bg="ground"
      zIndex={4}
      css={{
        "@media (min-width: 992px) and (min-height: 640px)": { position: "sticky", bottom: 0 },
      }}
    >
      {children}
    </Box>
  );
}
