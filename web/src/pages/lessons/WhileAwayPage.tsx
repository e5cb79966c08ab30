import { Flex, Text } from "@chakra-ui/react";
import { useLookThrough, useWhileAway } from "../../api/queries";
import { Button } from "../../components/Button";
import { fullDay } from "../../components/dates";
import { NameLink } from "../../components/NameLink";
import { Empty, Lost, Notice, Waiting } from "../../components/Notice";
import { PageHead, Paper } from "../../components/Paper";
import { t } from "../../words";

/** Lessons of one's own students that another gave, lesson by lesson, to look through. */
export default function WhileAwayPage() {
  const lessons = useWhileAway();
  const through = useLookThrough();
  if (lessons.error && !lessons.data)
    return <Lost trouble={lessons.error} again={() => lessons.refetch()} />;
  if (!lessons.data) return <Waiting what={t("lessons.these_lessons")} />;
  return (
    <>
      <PageHead
        title={t("lessons.while_you_were_away")}
        about={t("lessons.what_others_heard_counts")}
      />
      <Notice trouble={through.error} />
      {lessons.data.length === 0 && (
        <Paper>
          <Empty>{t("lessons.all_looked_through")}</Empty>
        </Paper>
      )}
      {lessons.data.map((one) => (
        <Paper
          key={`${one.student_id} ${one.day}`}
          as="section"
          aria-label={`${one.name}, ${fullDay(one.day)}`}
          p="12px 18px"
          mb="12px"
        >
          <Flex gap="12px" align="baseline" wrap="wrap">
            <NameLink to={`/students/${one.student_id}`}>{one.name}</NameLink>
            <Text color="soft" flex="1">
              {t("lessons.given_by", { day: fullDay(one.day), giver: one.giver })}
            </Text>
            <Button
              kind="go"
              size="sm"
              disabled={through.isPending}
              onClick={() => through.mutate({ id: one.student_id, day: one.day })}
            >
              {t("lessons.looked_through")}
            </Button>
          </Flex>
          {one.results.map((result) => (
            <Text key={`${result.assignment_id} ${result.step_id}`} mt="4px">
              {result.piece}: {result.title} <b>{t(`lesson.results.${result.result}`)}</b>
              {result.note && ` (${result.note})`}
            </Text>
          ))}
          {one.recap && (
            <Text mt="8px" whiteSpace="pre-line" color="soft">
              {one.recap}
            </Text>
          )}
          {one.notes && (
            <Text mt="8px" whiteSpace="pre-line">
              <b>{t("lessons.notes")}</b> {one.notes}
            </Text>
          )}
        </Paper>
      ))}
    </>
  );
}
