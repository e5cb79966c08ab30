import { Flex, Input, Text } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { type NewSection, useChangeSections } from "../../api/queries";
import { Button } from "../../parts/Button";
import { Notice } from "../../parts/Notice";
import type { Range } from "../../parts/page/PageMap";

type Piece = Schemas["Piece"];
type Props = { piece: Piece; chosen: Range | null; onChoose: (range: Range | null) => void };

/** Names the chosen bars. Where they are a section as it stands, changes or
 * removes it; with a letter there is already, moves that section's place here
 * or adds another. */
export function SectionStrip({ piece, chosen, onChoose }: Props) {
  const exact = chosen && piece.sections.find((one) => one.spans.some((span) => same(span, chosen)));
  const around = chosen && !exact && piece.sections.find((one) => one.spans.some((span) => holds(span, chosen)));
  const [label, setLabel] = useState("");
  const [words, setWords] = useState("");
  const first = useRef<HTMLInputElement>(null);
  const save = useChangeSections(piece.id);

  const key = `${chosen?.from}-${chosen?.to}-${exact?.label}`;
  // biome-ignore lint/correctness/useExhaustiveDependencies: filled anew only when the choice changes
  useEffect(() => {
    setLabel(exact?.label ?? nextLetter(piece));
    setWords(exact?.words ?? "");
    save.reset();
  }, [key]);

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (
        event.key.toLowerCase() !== "s" ||
        event.ctrlKey ||
        event.metaKey ||
        (event.target as Element).matches("input, textarea, select")
      )
        return;
      event.preventDefault();
      first.current?.focus();
      first.current?.select();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, []);

  if (!chosen) return null;
  const others = piece.sections.filter((one) => one !== exact);
  const namesake = others.find((one) => one.label === label);
  const moves = namesake?.spans.find((span) => span.from <= chosen.to && chosen.from <= span.to);
  const store = (sections: NewSection[]) =>
    save.mutate({ sections, revision: piece.revision }, { onSuccess: () => onChoose(null) });
  const submit = () => {
    if (exact) return store([...others.map(plain), { ...plain(exact), label, words }]);
    if (!namesake) return store([...others.map(plain), { label, words, spans: [chosen] }]);
    const spans = [...namesake.spans.filter((span) => span !== moves), chosen];
    store(others.map((one) => (one === namesake ? { ...plain(one), spans } : plain(one))));
  };
  const verb = exact ? "Change" : moves ? `Move ${label} here` : namesake ? `Add to ${label}` : "Mark section";

  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <Flex gap="8px" align="center" mt="4px" pt="8px" borderTop="1px solid" borderColor="line" wrap="wrap">
        <Text fontWeight={650}>{namesOf(piece, chosen)}</Text>
        {around && (
          <Button type="button" kind="quiet" size="sm" onClick={() => onChoose(around.spans[0] as Range)}>
            choose all of {around.label}
          </Button>
        )}
        <Input
          ref={first}
          aria-label="Section letter"
          w="84px"
          h="34px"
          borderColor="line"
          maxLength={12}
          required
          value={label}
          onChange={(event) => setLabel(event.target.value.trim())}
        />
        <Input
          aria-label="What it is like"
          placeholder="like A except 8"
          flex="1 1 160px"
          h="34px"
          borderColor="line"
          value={words}
          disabled={!!namesake}
          onChange={(event) => setWords(event.target.value)}
        />
        <Button type="submit" kind="go" disabled={save.isPending || !label}>
          {verb}
        </Button>
        {exact && (
          <Button onClick={() => store(others.map(plain))} disabled={save.isPending}>
            Remove
          </Button>
        )}
      </Flex>
      <Notice trouble={save.error} />
      {save.error?.problem.code === "stale" && (
        <Text>The page shows theirs now. Press “{verb}” again to put yours on top, or leave it as it is.</Text>
      )}
    </form>
  );
}

const same = (one: Range, other: Range) => one.from === other.from && one.to === other.to;
const holds = (one: Range, other: Range) => one.from <= other.from && other.to <= one.to;

const plain = ({ label, words, spans }: Piece["sections"][number]): NewSection => ({
  label,
  words,
  spans: spans.map(({ from, to }) => ({ from, to })),
});

function namesOf(piece: Piece, range: Range) {
  const bars = piece.pages.flatMap((page) => page.lines.flatMap((line) => line.bars));
  const name = (index: number) => bars.find((bar) => bar.index === index)?.name;
  return range.from === range.to ? `Bar ${name(range.from)}` : `Bars ${name(range.from)}–${name(range.to)}`;
}

/** The next letter no section has yet. */
function nextLetter(piece: Piece) {
  const taken = new Set(piece.sections.map((one) => one.label));
  return [..."ABCDEFGHIJKLMNOPQRSTUVWXYZ"].find((letter) => !taken.has(letter)) ?? "";
}
