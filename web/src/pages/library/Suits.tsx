import { Box, Text } from "@chakra-ui/react";
import { useSuits } from "../../api/queries";
import { NameLink } from "../../components/NameLink";
import { Empty, Notice, Waiting } from "../../components/Notice";
import { Paper } from "../../components/Paper";
import { t } from "../../words";

/** The pieces a student has not had: what is new in each, and how long it would take. */
export function Suits({ student }: { student: number }) {
  const suits = useSuits(student);
  if (suits.error) return <Notice trouble={suits.error} again={() => suits.refetch()} />;
  if (!suits.data) return <Waiting what={t("library.suits.what_would_suit")} />;
  return (
    <Paper role="list" aria-label={t("library.suits.what_would_suit")}>
      {suits.data.length === 0 && <Empty>{t("library.suits.has_had_all")}</Empty>}
      {suits.data.map((piece) => (
        <Box
          key={piece.id}
          role="listitem"
          px="16px"
          py="9px"
          borderBottom="1px solid"
          borderColor="line"
          _last={{ border: 0 }}
        >
          <NameLink to={`/library/${piece.id}`}>{piece.title}</NameLink>
          {piece.book && (
            <Text as="span" color="soft">
              {" "}
              {piece.book}
            </Text>
          )}
          {piece.lines.map((line) => (
            <Text key={line}>{line}</Text>
          ))}
        </Box>
      ))}
    </Paper>
  );
}
