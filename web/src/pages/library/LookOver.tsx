import { Box, Field, Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { Button } from "../../components/Button";
import { Choice } from "../../components/Choice";
import { Paper, PartHead } from "../../components/Paper";
import { t } from "../../words";

type Asked = Schemas["LookOver"];
type Said = { title?: string; right?: string; left?: string };

/** What was assumed of a score that does not say everything: its title, where the hands are. */
export function LookOver({
  asked,
  busy,
  onLoad,
  onLeave,
}: {
  asked: Asked;
  busy: boolean;
  onLoad: (said: Said) => void;
  onLeave: () => void;
}) {
  const taken = (hand: "right" | "left") =>
    asked.staves.find((one) => one.hand === hand)?.place ?? "";
  const [title, setTitle] = useState(asked.title ?? "");
  const [right, setRight] = useState(taken("right"));
  const [left, setLeft] = useState(taken("left"));
  return (
    <Paper as="section" aria-label={t("library.look_over.look_over")} p="12px 18px" mb="12px">
      <PartHead>{t("library.look_over.look_over")}</PartHead>
      <Box as="ul" pl="18px" my="6px" style={{ listStyle: "disc" }}>
        {asked.assumed.map((one) => (
          <li key={one}>{one}</li>
        ))}
      </Box>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          const changed = right !== taken("right") || left !== taken("left");
          onLoad({
            title: title.trim() || undefined,
            ...(changed ? { right: right || undefined, left: left || undefined } : {}),
          });
        }}
      >
        <Flex gap="10px" wrap="wrap" align="flex-end">
          <Field.Root w="260px" required>
            <Field.Label fontWeight={600}>{t("library.look_over.title")}</Field.Label>
            <Input
              required
              autoFocus={asked.title === null}
              maxLength={200}
              borderColor="line"
              value={title}
              onChange={(event) => setTitle(event.target.value)}
            />
          </Field.Root>
          <Staff
            label={t("library.look_over.right_hand")}
            value={right}
            onChoose={setRight}
            asked={asked}
          />
          <Staff
            label={t("library.look_over.left_hand")}
            value={left}
            onChoose={setLeft}
            asked={asked}
          />
          <Button type="submit" kind="go" disabled={busy || (!right && !left)}>
            {busy ? t("library.library_page.reading_the_score") : t("library.look_over.load_it_so")}
          </Button>
          <Button onClick={onLeave}>{t("library.look_over.leave_it")}</Button>
        </Flex>
      </form>
      <Text fontSize="sm" color="soft" mt="6px">
        {t("library.look_over.other_parts_lend_their_words")}
      </Text>
    </Paper>
  );
}

type StaffProps = { label: string; value: string; onChoose: (place: string) => void; asked: Asked };

function Staff({ label, value, onChoose, asked }: StaffProps) {
  return (
    <Choice
      label={label}
      width="200px"
      value={value}
      onChange={(event) => onChoose(event.target.value)}
    >
      <option value="">{t("library.look_over.is_not_written")}</option>
      {asked.staves.map((one) => (
        <option key={one.place} value={one.place}>
          {[one.name || one.place, one.staff && t("library.look_over.staff", { number: one.staff })]
            .filter(Boolean)
            .join(", ")}
        </option>
      ))}
    </Choice>
  );
}
