import { Flex, Input, Text } from "@chakra-ui/react";
import { useOffer } from "../../api/queries";
import { Button } from "../../components/Button";
import { Select } from "../../components/Select";
import { useCalm } from "../../components/useCalm";
import { t } from "../../words";
import { CAUSES, type Cause, causeWord, type Heard, resultWord } from "./results";
import type { Hearing } from "./useResults";

/** What was counted while a step was played, the result that is offered for it,
 * and why and where it did not go. */
export function CountedOf({ one, hearing }: { one: Heard; hearing: Hearing }) {
  const draft = hearing.draftOf(one);
  const asked = draft.stumbles > 0 || draft.tempo !== null;
  const body = {
    assignment_id: one.assignment_id,
    step_id: one.id,
    stumbles: draft.stumbles,
    tempo: draft.tempo ?? undefined,
  };
  const offer = useOffer(hearing.student, useCalm(asked ? body : null));
  return (
    <Flex gap="4px 10px" mt="7px" fontSize="sm" wrap="wrap" align="center">
      <Flex align="center" gap="3px">
        <Text as="span">{t("lesson.counted_of.stumbles")}</Text>
        <Button
          size="xs"
          aria-label={t("lesson.counted_of.one_stumble_less")}
          onClick={() => hearing.count(one, { stumbles: Math.max(0, draft.stumbles - 1) })}
        >
          −
        </Button>
        <Text as="b" minW="1.4em" textAlign="center" data-stumbles>
          {draft.stumbles}
        </Text>
        <Button
          size="xs"
          aria-label={t("lesson.counted_of.one_stumble_more")}
          title="h"
          onClick={() => hearing.count(one, { stumbles: draft.stumbles + 1 })}
        >
          +
        </Button>
      </Flex>
      <Flex align="center" gap="3px">
        <Text as="span">{t("lesson.counted_of.tempo")}</Text>
        <Input
          type="number"
          size="xs"
          w="52px"
          min={10}
          max={400}
          borderColor="line"
          bg="sheet"
          aria-label={t("lesson.counted_of.tempo_heard")}
          placeholder={one.tempo ? String(one.tempo) : ""}
          value={draft.tempo ?? ""}
          onChange={(event) => hearing.count(one, { tempo: Number(event.target.value) || null })}
        />
        <Button
          size="xs"
          title={t("lesson.counted_of.tap_the_tempo")}
          onClick={() => hearing.tap(one)}
        >
          {t("lesson.counted_of.tap")}
        </Button>
      </Flex>
      <details
        style={{ flex: "1 1 130px" }}
        open={draft.cause !== "" || draft.bar !== null || draft.note !== ""}
      >
        <summary style={{ cursor: "pointer", minHeight: 24, paddingTop: 2 }}>
          {t("lesson.counted_of.more")}
        </summary>
        <Flex gap="6px" mt="4px" wrap="wrap">
          <Select
            aria-label={t("lesson.counted_of.why_it_did_not_go")}
            data-key="c"
            value={draft.cause}
            onChange={(event) => hearing.count(one, { cause: event.target.value as Cause | "" })}
          >
            <option value="">{t("lesson.counted_of.why")}</option>
            {CAUSES.map((cause) => (
              <option key={cause} value={cause}>
                {causeWord(cause)}
              </option>
            ))}
          </Select>
          <Select
            aria-label={t("lesson.counted_of.where_it_did_not_go")}
            data-key="b"
            value={draft.bar ?? ""}
            onChange={(event) => hearing.count(one, { bar: Number(event.target.value) || null })}
          >
            <option value="">{t("lesson.counted_of.where")}</option>
            {one.bars.map((bar) => (
              <option key={bar.bar} value={bar.bar}>
                {t("lesson.counted_of.bar", { bar: bar.name })}
              </option>
            ))}
          </Select>
          <Input
            size="xs"
            flex="1 1 110px"
            minW="90px"
            borderColor="line"
            bg="sheet"
            aria-label={t("lesson.counted_of.note")}
            data-key="n"
            placeholder={t("lesson.counted_of.note_n")}
            maxLength={500}
            value={draft.note}
            onChange={(event) => hearing.count(one, { note: event.target.value })}
          />
        </Flex>
      </details>
      {asked && offer.data && (
        <Text role="status" w="100%">
          {t("lesson.counted_of.offered")} <b>{resultWord(offer.data.result)}</b>{" "}
          <Text as="span" color="soft">
            ({offer.data.why})
          </Text>{" "}
          <Button size="xs" onClick={() => offer.data && hearing.say(one, offer.data.result)}>
            {t("lesson.counted_of.take_it")}
          </Button>{" "}
          <kbd>o</kbd>
        </Text>
      )}
    </Flex>
  );
}
