import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { useLesson, useMessages, useReopen } from "../../api/queries";
import { Button } from "../../components/Button";
import { dayAndMonth, fullDay } from "../../components/dates";
import { Introducing } from "../../components/Introducing";
import { Introductions } from "../../components/Introductions";
import { useHelp } from "../../components/KeyHelp";
import { latest } from "../../components/latest";
import { Messages } from "../../components/Messages";
import { Empty, Lost, Notice, Waiting } from "../../components/Notice";
import { PageHead, Paper, PartHead } from "../../components/Paper";
import { RightsOf } from "../../components/Rights";
import { Week } from "../../components/week/Week";
import { t } from "../../words";
import { FinishLesson } from "./FinishLesson";
import { Recap } from "./Recap";
import { ResultRow } from "./ResultRow";
import { keyOf, type Lesson } from "./results";
import { lessonKeys, useLessonKeys } from "./useLessonKeys";
import { type Hearing, useResults } from "./useResults";

/** A lesson: what is heard, the week that follows from it, drawn anew after each
 * result, and what the student is told. */
export default function LessonPage() {
  const id = Number(useParams().id);
  const lesson = useLesson(id);
  // Nothing moves when they come.
  const messages = useMessages(id);
  if (!lesson.data && lesson.error)
    return <Lost trouble={lesson.error} again={() => lesson.refetch()} />;
  if (!lesson.data || messages.isPending)
    return <Waiting what={t("lesson.lesson_page.the_lesson")} />;
  if (!lesson.data.may.includes("hear")) return <Empty>{t("lesson.lesson_page.not_yours")}</Empty>;
  return (
    <RightsOf may={lesson.data.may}>
      <Open key={id} lesson={lesson.data} />
    </RightsOf>
  );
}

function Open({ lesson }: { lesson: Lesson }) {
  const { student } = lesson;
  const go = useNavigate();
  const hearing = useResults(lesson);
  const [finishing, setFinishing] = useState(false);
  const reopen = useReopen(student.id);
  useLessonKeys(hearing, () => setFinishing(true));
  useHelp(t("lesson.lesson_page.help"), lessonKeys());
  const goesOn = lesson.next_week.with_lesson === false;
  const pieces = [
    ...new Set([
      ...lesson.steps.map((one) => one.piece),
      ...lesson.outlooks.map((one) => one.piece),
    ]),
  ];

  return (
    <>
      <PageHead
        title={`${student.name}, ${fullDay(lesson.today)}`}
        about={[
          ...pieces,
          t("lesson.lesson_page.practised", {
            done: lesson.practised.done,
            count: lesson.practised.of,
          }),
          t(goesOn ? "lesson.lesson_page.planned_until" : "lesson.lesson_page.next_lesson", {
            day: fullDay(lesson.next_week.next_lesson),
          }),
        ].join(" · ")}
      >
        <Button onClick={() => go(`/students/${student.id}`)}>
          {t("lesson.lesson_page.back_to", { student: student.name })}
        </Button>
        {lesson.lesson.finished && (
          <Button disabled={reopen.isPending} onClick={() => reopen.mutate()}>
            {t("lesson.lesson_page.open_it_again")}
          </Button>
        )}
        <Button kind="go" onClick={() => setFinishing(true)}>
          {lesson.lesson.finished
            ? t("lesson.lesson_page.finished_send_or_print_again")
            : t("lesson.lesson_page.finish_lesson")}
        </Button>
      </PageHead>
      <Notice trouble={reopen.error} />
      {finishing && (
        <FinishLesson
          lesson={lesson}
          waiting={hearing.queue.waiting.length}
          onDone={() => setFinishing(false)}
        />
      )}
      <Unsent hearing={hearing} />
      <Messages student={student.id} />
      <Grid
        templateColumns={{ base: "1fr", lg: "minmax(330px, 365px) minmax(0, 1fr) 255px" }}
        gap="12px"
        alignItems="start"
      >
        <HeardList lesson={lesson} hearing={hearing} severalPieces={pieces.length > 1} />
        <Paper p="10px 14px" minW={0} aria-busy={hearing.queue.waiting.length > 0}>
          <PartHead
            beside={
              <Ready outlooks={lesson.outlooks} named={pieces.length > 1} today={lesson.today} />
            }
          >
            {t("lesson.lesson_page.next_week_minutes_a_day", { budget: lesson.next_week.budget })}
          </PartHead>
          <Introductions
            student={student.id}
            all={lesson.introductions}
            named={pieces.length > 1}
          />
          {lesson.introductions.some((one) => !one.introduced) && (
            <Introducing student={student.id} named={pieces.length > 1} today={lesson.today} />
          )}
          {lesson.changed.length > 0 && (
            <Text role="status" fontSize="sm" bg="slateSoft" px="8px" py="3px" mb="6px">
              {lesson.changed.join(" · ")}
            </Text>
          )}
          <Week
            week={lesson.next_week}
            hand={lesson.overrides}
            student={student.id}
            severalPieces={
              new Set(
                lesson.next_week.days
                  .flatMap((day) => day.items.map((item) => item.piece))
                  .filter(Boolean),
              ).size > 1
            }
          />
        </Paper>
        <Recap lesson={lesson} />
      </Grid>
    </>
  );
}

function HeardList({
  lesson,
  hearing,
  severalPieces,
}: {
  lesson: Lesson;
  hearing: Hearing;
  severalPieces: boolean;
}) {
  const list = useRef<HTMLDivElement>(null);
  const said = hearing.rows.filter((one) => one.result && one.result !== "not_heard").length;
  useEffect(() => {
    list.current?.querySelector(`[data-at="${hearing.at}"]`)?.scrollIntoView({ block: "nearest" });
  }, [hearing.at]);
  return (
    <Paper>
      <Box px="14px" py="8px" borderBottom="1px solid" borderColor="line">
        <PartHead
          beside={
            <>
              <kbd>1</kbd>–<kbd>4</kbd> {t("lesson.lesson_page.how_it_went")} <kbd>?</kbd>{" "}
              {t("lesson.lesson_page.all_keys")}
            </>
          }
        >
          {t("lesson.lesson_page.heard_today_of", { said, rows: hearing.rows.length })}
        </PartHead>
      </Box>
      {hearing.rows.length === 0 && (
        <Empty>{t("lesson.lesson_page.nothing_has_been_practised_yet_the")}</Empty>
      )}
      {hearing.rows.length > 0 && (
        <Box
          ref={list}
          maxH={{ lg: "calc(100vh - 240px)" }}
          overflowY="auto"
          role="list"
          aria-label={t("lesson.lesson_page.steps_of_this_week")}
          tabIndex={0}
        >
          {hearing.rows.map((one, at) => (
            <ResultRow
              key={keyOf(one)}
              one={one}
              at={at}
              current={at === hearing.at}
              severalPieces={severalPieces}
              student={lesson.student.id}
              hearing={hearing}
            />
          ))}
        </Box>
      )}
      {hearing.more && (
        <Box px="14px" py="6px">
          <Button kind="quiet" size="sm" onClick={() => hearing.showStages(!hearing.stages)}>
            {t(hearing.stages ? "lesson.lesson_page.rows_only" : "lesson.lesson_page.all_stages")}
          </Button>
        </Box>
      )}
      {lesson.hear_first && (
        <Text px="14px" py="8px" fontSize="sm" color="soft">
          {t("lesson.lesson_page.hear_first")}{" "}
          <Text as="b" color="ink">
            {lesson.hear_first.title}
          </Text>
          {severalPieces && `, ${lesson.hear_first.piece}`}. {lesson.hear_first.first}.
        </Text>
      )}
    </Paper>
  );
}

/** When the pieces are likely ready. */
function Ready({
  outlooks,
  named,
  today,
}: {
  outlooks: Lesson["outlooks"];
  named: boolean;
  today: string;
}) {
  return (
    <>
      {outlooks
        .filter((one) => one.state !== "never")
        .map((one) => (
          <Text key={one.piece} color={one.late ? "brick" : "soft"} textAlign="right">
            {named && `${one.piece}${one.likely ? "" : ":"} `}
            {[
              one.likely
                ? t("lesson.lesson_page.ready", {
                    likely: dayAndMonth(one.likely, today),
                    cautious: latest(one.cautious, today),
                  })
                : t(`outlook.${one.state}`),
              one.due_on && t("lesson.lesson_page.due", { day: dayAndMonth(one.due_on) }),
            ]
              .filter(Boolean)
              .join(" · ")}
          </Text>
        ))}
    </>
  );
}

/** What the server does not have yet. */
function Unsent({ hearing }: { hearing: Hearing }) {
  const { waiting, offline, trouble } = hearing.queue;
  if (offline && waiting.length > 0)
    return (
      <Flex
        role="status"
        bg="brassSoft"
        borderLeft="4px solid"
        borderColor="brass"
        px="12px"
        py="6px"
        mb="8px"
      >
        {t("lesson.lesson_page.results_wait", { count: waiting.length })}
      </Flex>
    );
  return <Notice trouble={offline ? null : trouble} />;
}
