import { Box, Flex, Text } from "@chakra-ui/react";
import { useNavigate, useParams } from "react-router";
import type { Schemas } from "../../api/client";
import { useMessages, useStandIn } from "../../api/queries";
import { Button } from "../../components/Button";
import { dayAndMonth, fullDay, listed } from "../../components/dates";
import { Messages } from "../../components/Messages";
import { Lost, Waiting } from "../../components/Notice";
import { PageHead, Paper, PartHead } from "../../components/Paper";
import { RightsOf } from "../../components/Rights";
import { t } from "../../words";

/** What someone who stands in lacks: on one page, before the lesson. */
export default function StandInPage() {
  const id = Number(useParams().id);
  const page = useStandIn(id);
  const messages = useMessages(id);
  const go = useNavigate();
  if (page.error && !page.data) return <Lost trouble={page.error} again={() => page.refetch()} />;
  if (!page.data || messages.isPending)
    return <Waiting what={t("students.student_page.the_student")} />;
  const { name, teacher, last, hear_first, pieces, cautions, drills, instrument, may } = page.data;
  return (
    <>
      <PageHead
        title={t("lessons.stand_in_for", { name })}
        about={listed([t("lessons.student_of", { teacher }), instrument])}
      >
        <Button onClick={() => go(`/students/${id}`)}>{t("lessons.all_about", { name })}</Button>
        {may.includes("hear") && (
          <Button kind="go" onClick={() => go(`/students/${id}/lesson`)}>
            {t("today.today_page.open_lesson")}
          </Button>
        )}
      </PageHead>
      <RightsOf may={may}>
        <Messages student={id} />
      </RightsOf>
      <Flex gap="14px" wrap="wrap" align="stretch">
        <Paper as="section" aria-label={t("lessons.last_recap")} p="12px 18px" flex="1 1 420px">
          <PartHead beside={last && listed([fullDay(last.day), last.by])}>
            {t("lessons.last_recap")}
          </PartHead>
          {last ? (
            <>
              <Text whiteSpace="pre-line" mt="6px">
                {last.recap}
              </Text>
              {last.notes && (
                <Text mt="8px" whiteSpace="pre-line">
                  <b>{t("lessons.notes")}</b> {last.notes}
                </Text>
              )}
            </>
          ) : (
            <Text color="soft">{t("lessons.no_lesson_before")}</Text>
          )}
        </Paper>
        <Box flex="1 1 420px" display="flex" flexDirection="column" gap="14px">
          <Paper as="section" aria-label={t("today.today_page.hear_first")} p="12px 18px">
            <PartHead>{t("today.today_page.hear_first")}</PartHead>
            <Text mt="4px">
              {hear_first
                ? `${hear_first.piece}: ${hear_first.title} (${hear_first.first})`
                : t("today.today_page.nothing_that_others_wait_for")}
            </Text>
          </Paper>
          <Paper as="section" aria-label={t("lessons.take_care")} p="12px 18px">
            <PartHead>{t("lessons.take_care")}</PartHead>
            {cautions.map((one) => (
              <Text key={one.short} mt="2px" title={one.full}>
                {one.short}
              </Text>
            ))}
          </Paper>
          {drills.length > 0 && (
            <Paper p="12px 18px">
              {drills.map((one) => (
                <Text key={one.title}>
                  {t("students.student_page.where_next_in_of_right_on", {
                    title: one.title,
                    correct: one.correct,
                    asked: one.asked,
                    day: dayAndMonth(one.day),
                  })}
                </Text>
              ))}
            </Paper>
          )}
        </Box>
      </Flex>
      {pieces.map((piece) => (
        <Piece key={piece.piece_id} piece={piece} />
      ))}
    </>
  );
}

function Piece({ piece }: { piece: Schemas["StandIn"]["pieces"][number] }) {
  return (
    <Paper as="section" aria-label={piece.title} p="12px 18px" mt="14px">
      <PartHead
        beside={t("lessons.percent_at", { percent: piece.percent, tempo: piece.target_tempo })}
      >
        {piece.title}
      </PartHead>
      <Flex gap="8px" wrap="wrap" mt="6px">
        {piece.sections.map((one) => (
          <Box
            key={one.name}
            border="1px solid"
            borderColor="line"
            borderRadius="3px"
            px="10px"
            py="4px"
            minW="110px"
          >
            <Text fontWeight={700}>{one.name}</Text>
            <Text fontSize="sm">{t("lessons.done_of", { done: one.done, count: one.of })}</Text>
            {one.under_way.map((title) => (
              <Text key={title} fontSize="sm" color="soft">
                {title}
              </Text>
            ))}
          </Box>
        ))}
      </Flex>
      {piece.hard.length > 0 && (
        <Text mt="8px">
          <b>{t("lessons.hard_at_home")}</b> {piece.hard.join(", ")}
        </Text>
      )}
      {piece.changes.map((layer) => (
        <Box key={layer.whose} mt="8px">
          <Text fontWeight={600}>{t(`lessons.changes.${layer.whose}`)}</Text>
          <Box as="pre" fontSize="sm" whiteSpace="pre-wrap">
            {layer.lines.join("\n")}
          </Box>
        </Box>
      ))}
    </Paper>
  );
}
