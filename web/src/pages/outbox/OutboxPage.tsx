import { Box, Text } from "@chakra-ui/react";
import { useOutbox } from "../../api/queries";
import { moment } from "../../components/dates";
import { Empty, Lost, Waiting } from "../../components/Notice";
import { PageHead, Paper } from "../../components/Paper";
import { t } from "../../words";

/** Mail as it is, or would be, sent. */
export default function OutboxPage() {
  const letters = useOutbox();
  if (letters.error && !letters.data) return <Lost trouble={letters.error} again={() => letters.refetch()} />;
  if (!letters.data) return <Waiting what={t("outbox.outbox_page.the_outbox")} />;
  return (
    <>
      <PageHead
        title={t("outbox.outbox_page.outbox")}
        about={t("outbox.outbox_page.recaps_as_they_were_sent_without")}
      />
      {letters.data.length === 0 && (
        <Paper>
          <Empty>{t("outbox.outbox_page.nothing_was_sent_yet_finish_a")}</Empty>
        </Paper>
      )}
      {letters.data.map((one) => (
        <Paper key={one.id} as="article" p="12px 18px" mb="10px" aria-label={one.subject}>
          <Text fontWeight={700}>{one.subject}</Text>
          <Text fontSize="sm" color="soft">
            {t("outbox.outbox_page.written", { recipient: one.recipient, time: moment(one.made_at) })} ·{" "}
            {one.sent_at
              ? t("outbox.outbox_page.sent", { time: moment(one.sent_at) })
              : t("outbox.outbox_page.not_sent_it_waits_here")}
          </Text>
          {one.trouble && (
            <Text color="brick">{t("outbox.outbox_page.the_mail_server_said_it_is", { trouble: one.trouble })}</Text>
          )}
          <Box whiteSpace="pre-wrap" mt="6px">
            {one.body}
          </Box>
        </Paper>
      ))}
    </>
  );
}
