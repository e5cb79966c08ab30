/** Which part of the guide tells of a screen; the first that begins as its address does. */
export const GUIDED: [address: RegExp, part: string][] = [
  [/^\/students\/\d+\/lesson/, "the-lesson"],
  [/^\/students/, "a-student"],
  [/^\/classes/, "classes"],
  [/^\/today/, "today"],
  [/^\/lessons|^\/while-away/, "the-lessons-of-a-week"],
  [/^\/library\/\d+/, "the-workbench"],
  [/^\/library/, "a-piece"],
  [/^\/studio/, "the-studio"],
  [/^\/settings/, "people"],
  [/^\/routines/, "a-student"],
  [/^\/outbox/, "the-lesson"],
];

/** Where the guide tells of the screen at an address. */
export function guidedBy(address: string) {
  const part = GUIDED.find(([pattern]) => pattern.test(address))?.[1];
  return part ? `/guide#${part}` : "/guide";
}
