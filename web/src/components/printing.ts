/** Prints one part of a place alone. */
export function printOnly(part: Element | null) {
  const root = document.documentElement;
  root.classList.add("print-one");
  part?.classList.add("printing");
  window.addEventListener(
    "afterprint",
    () => {
      root.classList.remove("print-one");
      part?.classList.remove("printing");
    },
    { once: true },
  );
  window.print();
}
