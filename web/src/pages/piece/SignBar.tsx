import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { X } from "lucide-react";
import { useEffect, useRef, useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../components/Button";
import type { Range } from "../../components/page/PageMap";
import { t } from "../../words";
import { placeOf, sayings, sectionOf, standing } from "./statements";
import { ToKnow } from "./ToKnow";
import type { Bench } from "./useBench";

type Props = { bench: Bench; chosen: Range | null; onChoose: (range: Range | null) => void };
type Section = Schemas["Section"];

/** What can be said of the chosen bars: what stands there, a section, a sign,
 * or anything else as a statement. */
export function SignBar({ bench, chosen, onChoose }: Props) {
  return (
    // As tall as with bars chosen, so that what is beneath stays where it is.
    <Box minH={{ lg: TALL }} pt="6px" mt="4px" borderTop="1px solid" borderColor="line">
      {chosen ? <Chosen bench={bench} chosen={chosen} onChoose={onChoose} /> : <Keys />}
    </Box>
  );
}

// Pixels of what can be said of bars in a section, on a wide screen.
const TALL = "152px";

/** What one can do, while no bars are chosen. */
function Keys() {
  return (
    <Text fontSize="sm" color="soft">
      {t("piece.sign_bar.drag_over_bars")} <kbd>←</kbd> <kbd>→</kbd> <kbd>↑</kbd> <kbd>↓</kbd> ·{" "}
      <kbd>S</kbd> {t("piece.sign_bar.a_section")} · <kbd>R</kbd> {t("piece.sign_bar.a_repeat")} ·{" "}
      <kbd>1</kbd> <kbd>2</kbd> {t("piece.sign_bar.endings")} · <kbd>?</kbd>{" "}
      {t("piece.sign_bar.all_keys")}
    </Text>
  );
}

function Chosen({ bench, chosen, onChoose }: Props & { chosen: Range }) {
  const { piece } = bench;
  const here = standing(piece, chosen);
  const place = placeOf(piece, chosen);
  const section = sectionOf(piece, chosen);
  return (
    <>
      <Flex gap="8px" align="center" wrap="wrap" minH="30px">
        <Text fontWeight={650}>
          {place.includes("-")
            ? t("piece.sign_bar.bars", { place: place.replace("-", "–") })
            : t("piece.sign_bar.bar", { place })}
        </Text>
        {here.map(({ words, statement, range }) => (
          <Flex key={statement} align="center" bg="shade" borderRadius="3px" fontSize="sm">
            <Button kind="quiet" size="sm" minH="26px" onClick={() => range && onChoose(range)}>
              {words}
            </Button>
            <Button
              kind="quiet"
              size="sm"
              minH="26px"
              px="4px"
              aria-label={t("piece.sign_bar.take_away", { words })}
              onClick={() => bench.apply({ drop: [statement] })}
            >
              <X size={13} />
            </Button>
          </Flex>
        ))}
      </Flex>
      <SectionLine bench={bench} chosen={chosen} place={place} onDone={() => onChoose(null)} />
      {section && <ToKnow bench={bench} section={section} />}
      <Flex gap="4px" align="center" wrap="wrap" mt="6px">
        {piece.signs.map((sign) => (
          <SignButton
            key={sign.key}
            sign={sign}
            onPress={() => bench.apply({ sign: { key: sign.key, ...chosen } })}
          />
        ))}
        <Statement
          offers={sayings(piece, chosen)}
          onPut={(statement) => bench.apply({ put: [statement] })}
          onType={bench.forget}
        />
      </Flex>
    </>
  );
}

function SignButton({
  sign,
  onPress,
}: {
  sign: Schemas["Page"]["signs"][number];
  onPress: () => void;
}) {
  return (
    <Button
      size="sm"
      px="8px"
      title={t("piece.sign_bar.key", { title: sign.title, shortcut: sign.shortcut.toUpperCase() })}
      onClick={onPress}
    >
      {sign.words}
    </Button>
  );
}

/** Letter, bars and what it is like; the bars can begin and end at a beat. */
function SectionLine({
  bench,
  chosen,
  place,
  onDone,
}: {
  bench: Bench;
  chosen: Range;
  place: string;
  onDone: () => void;
}) {
  const { piece } = bench;
  const exact = sectionOf(piece, chosen);
  const [label, setLabel] = useState("");
  const [where, setWhere] = useState("");
  const [words, setWords] = useState("");
  const first = useRef<HTMLInputElement>(null);

  const key = `${place}/${exact?.statement}`;
  // biome-ignore lint/correctness/useExhaustiveDependencies: filled anew only when the choice changes
  useEffect(() => {
    setLabel(exact?.label ?? piece.next_section ?? "");
    setWhere(exact ? placesOf(exact) : place);
    setWords(exact?.words ?? "");
  }, [key]);

  useEffect(() => {
    const focus = () => {
      first.current?.focus();
      first.current?.select();
    };
    window.addEventListener("stairwell-name-section", focus);
    return () => window.removeEventListener("stairwell-name-section", focus);
  }, []);

  const namesake = piece.sections.find((one) => one.label === label && one !== exact);
  const moves = namesake?.spans.find((span) => span.from <= chosen.to && chosen.from <= span.to);
  const verb = exact
    ? t("piece.sign_bar.change")
    : moves
      ? t("piece.sign_bar.move_here", { label })
      : namesake
        ? t("piece.sign_bar.add_to", { label })
        : t("piece.sign_bar.mark_section");
  const submit = async () => {
    const { from, to } = chosen;
    const section = { label, places: [where], words: words.trim(), from, to };
    if (await bench.apply({ section })) onDone();
  };
  const field = { h: "32px", borderColor: "line" };

  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        submit();
      }}
    >
      <Flex gap="6px" align="center" mt="4px" wrap="wrap">
        <Input
          ref={first}
          aria-label={t("piece.sign_bar.section_letter")}
          {...field}
          w="64px"
          fontWeight={700}
          maxLength={12}
          required
          value={label}
          onChange={(event) => setLabel(event.target.value.trim())}
        />
        <Input
          aria-label={t("piece.sign_bar.its_bars")}
          {...field}
          w="150px"
          required
          value={where}
          onChange={(event) => setWhere(event.target.value)}
        />
        <Input
          aria-label={t("piece.sign_bar.what_it_is_like")}
          placeholder={t("piece.sign_bar.like_a_except")}
          {...field}
          flex="1 1 150px"
          value={words}
          disabled={!!namesake && !exact}
          onChange={(event) => setWords(event.target.value)}
        />
        <Button type="submit" kind="go" minH="32px" py="3px" disabled={!label}>
          {verb}
        </Button>
      </Flex>
    </form>
  );
}

/** Whatever has no button is said in words, for the chosen bars. */
function Statement({
  offers,
  onPut,
  onType,
}: {
  offers: string[];
  onPut: (statement: string) => Promise<boolean>;
  onType: () => void;
}) {
  const [text, setText] = useState("");
  const field = useRef<HTMLInputElement>(null);
  return (
    <form
      style={{ flex: "1 1 200px", display: "flex", gap: "6px" }}
      onSubmit={async (event) => {
        event.preventDefault();
        if (text.trim() && (await onPut(text.trim()))) setText("");
      }}
    >
      <Input
        ref={field}
        aria-label={t("piece.sign_bar.say_more_about_these_bars")}
        placeholder={t("piece.sign_bar.say_more_fermata_pedal_pass")}
        list="bench-statements"
        h="30px"
        fontSize="sm"
        borderColor="line"
        value={text}
        onChange={(event) => {
          onType();
          setText(event.target.value);
        }}
      />
      <datalist id="bench-statements">
        {offers.map((offer) => (
          <option key={offer} value={offer} />
        ))}
      </datalist>
      {text && (
        <Button type="submit" size="sm">
          {t("piece.sign_bar.say_it")}
        </Button>
      )}
    </form>
  );
}

const placesOf = (section: Section) => section.spans.map((span) => span.text).join(", ");
