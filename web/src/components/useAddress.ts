import { useSearchParams } from "react-router";

/** What a page shows, kept in its address, so that going back to it shows the same. */
export function useAddress() {
  const [params, setParams] = useSearchParams();
  const of = (name: string) => params.get(name) ?? "";
  const set = (name: string, value: string) =>
    setParams(
      (before) => {
        if (value) before.set(name, value);
        else before.delete(name);
        return before;
      },
      { replace: true },
    );
  return { of, set };
}

export type Address = ReturnType<typeof useAddress>;
