import { Box, chakra, Flex, Heading, Text } from "@chakra-ui/react";
import { useState } from "react";
import { newKey, type Schemas } from "../../api/client";
import { useSheetMessages } from "../../api/queries";
import { Button } from "../../components/Button";
import { fullDay } from "../../components/dates";
import { Notice } from "../../components/Notice";
import { Paper } from "../../components/Paper";
import { t } from "../../words";
import { draftOf } from "./offline";

type Props = { token: string; today: string; sent: Schemas["SheetMessage"][] };

/** A short word to the teacher. What is begun stays on the phone, and goes when there is a
 * connection. */
export function Message({ token, today, sent }: Props) {
  const [text, setText] = useState(() => localStorage.getItem(draftOf(token)) ?? "");
  const write = (words: string) => {
    setText(words);
    localStorage.setItem(draftOf(token), words);
  };
  // One that is refused is there to be written in other words.
  const queue = useSheetMessages(token, (refused) => write(refused.text));
  const known = new Set(sent.map((one) => one.key));
  const waiting = queue.waiting.filter((one) => !known.has(one.key));
  const send = () => {
    queue.push({
      key: newKey(),
      text: text.trim(),
      day: today,
      written_at: new Date().toISOString(),
    });
    write("");
  };
  return (
    <Paper as="section" aria-label={t("sheet.message.title")} p="14px" mt="10px">
      <Heading as="h2" fontSize="1.125rem" fontWeight={750}>
        {t("sheet.message.title")}
      </Heading>
      {sent.map((one) => (
        <Line key={one.key} day={one.day} text={one.text} state={one.read ? "read" : "sent"} />
      ))}
      {waiting.map((one) => (
        <Line key={one.key} day={one.day ?? today} text={one.text} state="waiting" />
      ))}
      <Flex gap="8px" mt="8px" align="flex-end">
        {/* Plain: the library's own brings more than the rest of this part weighs. */}
        <chakra.textarea
          aria-label={t("sheet.message.what")}
          placeholder={t("sheet.message.for_example")}
          rows={2}
          maxLength={500}
          flex="1"
          minW={0}
          px="10px"
          py="6px"
          bg="sheet"
          border="1px solid"
          borderColor="line"
          borderRadius="4px"
          fontSize="lg"
          value={text}
          onChange={(event) => write(event.target.value)}
        />
        <Button minH="44px" disabled={!text.trim()} onClick={send}>
          {t("sheet.message.send")}
        </Button>
      </Flex>
      <Notice trouble={queue.offline ? null : queue.trouble} />
    </Paper>
  );
}

function Line({
  day,
  text,
  state,
}: {
  day: string;
  text: string;
  state: "sent" | "read" | "waiting";
}) {
  return (
    <Box mt="6px">
      <Text whiteSpace="pre-line" overflowWrap="anywhere">
        <b>{fullDay(day)}:</b> {text}
      </Text>
      <Text fontSize="sm" color="soft" role={state === "waiting" ? "status" : undefined}>
        {t(`sheet.message.${state}`)}
      </Text>
    </Box>
  );
}
