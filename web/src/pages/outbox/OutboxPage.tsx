import { Box, Text } from "@chakra-ui/react";
import { useOutbox } from "../../api/queries";
import { Empty, Lost, Waiting } from "../../components/Notice";
import { PageHead, Paper } from "../../components/Paper";

/** Mail as it is, or would be, sent. */
export default function OutboxPage() {
  const letters = useOutbox();
  if (letters.error) return <Lost trouble={letters.error} again={() => letters.refetch()} />;
  if (!letters.data) return <Waiting what="the outbox" />;
  return (
    <>
      <PageHead
        title="Outbox"
        about="Recaps as they were sent. Without a mail server they stay here, to be read or copied."
      />
      {letters.data.length === 0 && (
        <Paper>
          <Empty>Nothing was sent yet. Finish a lesson and choose to send its recap.</Empty>
        </Paper>
      )}
      {letters.data.map((one) => (
        <Paper key={one.id} as="article" p="12px 18px" mb="10px" aria-label={one.subject}>
          <Text fontWeight={700}>{one.subject}</Text>
          <Text fontSize="sm" color="soft">
            to {one.recipient} · written {new Date(one.made_at).toLocaleString("en-GB")} ·{" "}
            {one.sent_at ? `sent ${new Date(one.sent_at).toLocaleString("en-GB")}` : "not sent: it waits here"}
          </Text>
          {one.trouble && <Text color="brick">The mail server said: {one.trouble}. It is tried again.</Text>}
          <Box whiteSpace="pre-wrap" mt="6px">
            {one.body}
          </Box>
        </Paper>
      ))}
    </>
  );
}
