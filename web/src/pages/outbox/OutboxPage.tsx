import { Box, Flex, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { useOutbox, useSendAgain, useUnsent } from "../../api/queries";
import { Button } from "../../components/Button";
import { fullDay, moment } from "../../components/dates";
import { NameLink } from "../../components/NameLink";
import { Empty, Lost, Notice, Waiting } from "../../components/Notice";
import { PageHead, Paper, PartHead } from "../../components/Paper";
import { May } from "../../components/Rights";
import { t } from "../../words";

/** Mail as it is, or would be, sent; and what goes to nobody. */
export default function OutboxPage() {
  const letters = useOutbox();
  const unsent = useUnsent();
  if (letters.error && !letters.data)
    return <Lost trouble={letters.error} again={() => letters.refetch()} />;
  if (!letters.data || unsent.isPending)
    return <Waiting what={t("outbox.outbox_page.the_outbox")} />;
  return (
    <>
      <PageHead
        title={t("outbox.outbox_page.outbox")}
        about={t("outbox.outbox_page.recaps_as_they_were_sent_without")}
      />
      <Notice trouble={unsent.error} again={() => unsent.refetch()} />
      <Unsent
        title={t("outbox.outbox_page.drafts")}
        about={t("outbox.outbox_page.drafts_about")}
        all={unsent.data?.drafts ?? []}
        to="/lesson"
      />
      <Unsent
        title={t("outbox.outbox_page.unaddressed")}
        about={t("outbox.outbox_page.unaddressed_about")}
        all={unsent.data?.unaddressed ?? []}
        to=""
      />
      {letters.data.length === 0 && (
        <Paper>
          <Empty>{t("outbox.outbox_page.nothing_was_sent_yet_finish_a")}</Empty>
        </Paper>
      )}
      {letters.data.map((one) => (
        <Letter key={one.id} letter={one} />
      ))}
    </>
  );
}

type UnsentProps = { title: string; about: string; all: Schemas["OfLesson"][]; to: string };

function Unsent({ title, about, all, to }: UnsentProps) {
  if (all.length === 0) return null;
  return (
    <Paper as="section" aria-label={title} p="10px 18px" mb="10px">
      <PartHead>{title}</PartHead>
      <Text color="soft">{about}</Text>
      <Flex gap="4px 20px" wrap="wrap" mt="4px">
        {all.map((one) => (
          <NameLink
            key={`${one.student_id} ${one.day}`}
            fontSize="md"
            to={`/students/${one.student_id}${to}`}
          >
            {t("outbox.outbox_page.of_lesson", { student: one.student, day: fullDay(one.day) })}
          </NameLink>
        ))}
      </Flex>
    </Paper>
  );
}

const WRONG = ["failed"];

function Letter({ letter }: { letter: Schemas["Letter"] }) {
  const again = useSendAgain();
  const wrong = WRONG.includes(letter.state);
  return (
    <Paper as="article" p="12px 18px" mb="10px" aria-label={letter.subject}>
      <Flex gap="10px" align="baseline" wrap="wrap">
        <Text fontWeight={700}>{letter.subject}</Text>
        <Text fontSize="sm" fontWeight={650} color={wrong ? "brick" : "soft"}>
          {t(`outbox.outbox_page.state.${letter.state}`, {
            time: moment(letter.sent_at ?? letter.made_at),
          })}
        </Text>
        {wrong && (
          <May to="hear">
            <Button
              size="sm"
              ml="auto"
              disabled={again.isPending}
              onClick={() => again.mutate(letter.id)}
            >
              {t("outbox.outbox_page.again")}
            </Button>
          </May>
        )}
      </Flex>
      <Text fontSize="sm" color="soft">
        {t("outbox.outbox_page.written", {
          recipient: letter.recipient,
          time: moment(letter.made_at),
        })}
      </Text>
      {letter.trouble && (
        <Text color="brick">
          {t("outbox.outbox_page.the_mail_server_said_it_is", { trouble: letter.trouble })}
        </Text>
      )}
      <Notice trouble={again.error} />
      <Box whiteSpace="pre-wrap" mt="6px">
        {letter.body}
      </Box>
    </Paper>
  );
}
