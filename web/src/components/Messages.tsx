import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { Schemas } from "../api/client";
import { useMessages, useReadMessage } from "../api/queries";
import { t } from "../words";
import { Button } from "./Button";
import { fullDay } from "./dates";
import { Notice } from "./Notice";
import { Paper, PartHead } from "./Paper";
import { May } from "./Rights";

type Message = Schemas["Message"];
type Props = {
  student: number /** Whether those that were read stand beneath. */;
  earlier?: boolean;
};

/** What the family wrote on its sheet, until someone has read it. */
export function Messages({ student, earlier = false }: Props) {
  const messages = useMessages(student);
  const read = useReadMessage(student);
  // What was read just now stays in its place, so that it can be put back.
  const [here, setHere] = useState<number[]>([]);
  const [waiting, past] = parted(messages.data ?? [], here);
  if (waiting.length === 0 && !(earlier && past.length > 0))
    return <Notice trouble={messages.error} />;
  return (
    <Paper as="section" aria-label={t("components.messages.title")} p="8px 14px" mb="10px">
      <PartHead>{t("components.messages.title")}</PartHead>
      {waiting.map((one) => (
        <Flex key={one.id} gap="10px" align="baseline" mt="4px">
          <Said one={one} />
          <May to="hear">
            <Button
              size="sm"
              // Not disabled while it is saved: the focus would fall to nowhere.
              onClick={() => {
                if (read.isPending) return;
                setHere([...here, one.id]);
                read.mutate({ message: one.id, read: !one.read });
              }}
            >
              {one.read ? t("components.messages.put_back") : t("components.messages.read")}
            </Button>
          </May>
        </Flex>
      ))}
      <Notice trouble={read.error} />
      {earlier && past.length > 0 && (
        <details style={{ marginTop: 4 }}>
          <summary style={{ cursor: "pointer" }}>
            {t("components.messages.earlier", { count: past.length })}
          </summary>
          {past.toReversed().map((one) => (
            <Said key={one.id} one={one} />
          ))}
        </details>
      )}
    </Paper>
  );
}

function parted(all: Message[], here: number[]): [Message[], Message[]] {
  const waits = (one: Message) => !one.read || here.includes(one.id);
  return [all.filter(waits), all.filter((one) => !waits(one))];
}

function Said({ one }: { one: Message }) {
  return (
    <Box flex="1" minW={0} color={one.read ? "soft" : undefined}>
      <Text as="span" fontWeight={600}>
        {fullDay(one.day)}:
      </Text>{" "}
      <Text as="span" whiteSpace="pre-line" overflowWrap="anywhere">
        {one.text}
      </Text>
      {one.reader && (
        <Text as="span" color="soft" fontSize="sm">
          {" "}
          {t("components.messages.read_by", { name: one.reader })}
        </Text>
      )}
    </Box>
  );
}
