import { useEffect, useState } from "react";

/** A value after it has been left alone for a moment, so that the server is not
 * asked at every key. */
export function useCalm<T>(value: T, milliseconds = 250) {
  const [calm, setCalm] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setCalm(value), milliseconds);
    return () => clearTimeout(timer);
  }, [value, milliseconds]);
  return calm;
}
