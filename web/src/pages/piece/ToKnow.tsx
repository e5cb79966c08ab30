import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useEffect, useId, useState } from "react";
import type { Schemas } from "../../api/client";
import { t } from "../../words";
import type { Bench } from "./useBench";

type Section = Schemas["Section"];

/** What is to be known of a section: its fingering, articulation, how the hand moves. Each is kept
 * when one leaves its field; empty, it is taken away. */
export function ToKnow({ bench, section }: { bench: Bench; section: Section }) {
  return (
    <Flex gap="6px" mt="6px" wrap="wrap">
      {section.to_know.map((one) => (
        <Note
          key={`${section.label} ${one.kind}`}
          one={one}
          label={section.label}
          onPut={(text) =>
            bench.apply({ section_note: { section: section.label, kind: one.kind, text } })
          }
          onType={bench.forget}
        />
      ))}
    </Flex>
  );
}

type NoteProps = {
  one: Section["to_know"][number];
  label: string;
  onPut: (text: string) => void;
  onType: () => void;
};

function Note({ one, label, onPut, onType }: NoteProps) {
  const [text, setText] = useState(one.text);
  const offers = useId();
  useEffect(() => setText(one.text), [one.text]);
  const put = () => text.trim() !== one.text && onPut(text.trim());
  return (
    <Box flex="1 1 150px">
      <form
        onSubmit={(event) => {
          event.preventDefault();
          put();
        }}
      >
        <Text as="label" fontSize="sm" color="soft" display="flex" gap="6px" alignItems="center">
          {one.title}
          <Input
            aria-label={t("piece.to_know.of_section", { what: one.title, label })}
            h="30px"
            fontSize="sm"
            borderColor="line"
            color="ink"
            maxLength={200}
            list={one.offers.length > 0 ? offers : undefined}
            value={text}
            onChange={(event) => {
              onType();
              setText(event.target.value);
            }}
            onBlur={put}
          />
        </Text>
      </form>
      {one.offers.length > 0 && (
        <datalist id={offers}>
          {one.offers.map((offer) => (
            <option key={offer} value={offer} />
          ))}
        </datalist>
      )}
    </Box>
  );
}
