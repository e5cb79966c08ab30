import { type RefObject, useLayoutEffect, useState } from "react";

/** How wide a drawing may be: as usual, or what the screen has where that is less, so that its
 * words keep their size. */
export function useRoom(drawing: RefObject<Element | null>, usual: number) {
  const [room, setRoom] = useState(usual);
  useLayoutEffect(() => {
    const one = drawing.current;
    if (!one) return;
    const measure = () =>
      setRoom(Math.min(usual, Math.round(one.getBoundingClientRect().width) || usual));
    measure();
    const watch = new ResizeObserver(measure);
    watch.observe(one);
    return () => watch.disconnect();
  }, [drawing, usual]);
  return room;
}
