import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useEffect, useRef, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { useLesson } from "../../api/queries";
import { Button } from "../../components/Button";
import { dayAndMonth, fullDay } from "../../components/dates";
import { Introductions } from "../../components/Introductions";
import { useHelp } from "../../components/KeyHelp";
import { Empty, Lost, Notice, Waiting } from "../../components/Notice";
import { PageHead, Paper, PartHead } from "../../components/Paper";
import { WeekColumns } from "../../components/week/WeekColumns";
import { FinishLesson } from "./FinishLesson";
import { Recap } from "./Recap";
import { ResultRow } from "./ResultRow";
import { keyOf, type Lesson } from "./results";
import { LESSON_KEYS, useLessonKeys } from "./useLessonKeys";
import { type Hearing, useResults } from "./useResults";

/** A lesson: what is heard, the week that follows from it, drawn anew after each
 * result, and what the student is told. */
export default function LessonPage() {
  const id = Number(useParams().id);
  const lesson = useLesson(id);
  if (!lesson.data && lesson.error) return <Lost trouble={lesson.error} again={() => lesson.refetch()} />;
  if (!lesson.data) return <Waiting what="the lesson" />;
  return <Open key={id} lesson={lesson.data} />;
}

function Open({ lesson }: { lesson: Lesson }) {
  const { student } = lesson;
  const go = useNavigate();
  const hearing = useResults(lesson);
  const [finishing, setFinishing] = useState(false);
  useLessonKeys(hearing, () => setFinishing(true));
  useHelp("lesson", LESSON_KEYS);
  const pieces = [...new Set([...lesson.steps.map((one) => one.piece), ...lesson.outlooks.map((one) => one.piece)])];

  return (
    <>
      <PageHead
        title={`${student.name}, ${fullDay(lesson.today)}`}
        about={`${pieces.join(" and ")} · practised ${lesson.practised.done} of ${lesson.practised.of} days · next lesson ${fullDay(lesson.next_week.next_lesson)}`}
      >
        <Button onClick={() => go(`/students/${student.id}`)}>Back to {student.name}</Button>
        <Button kind="go" onClick={() => setFinishing(true)}>
          {lesson.lesson.finished ? "Finished; send or print again" : "Finish lesson"}
        </Button>
      </PageHead>
      {finishing && (
        <FinishLesson lesson={lesson} waiting={hearing.queue.waiting.length} onDone={() => setFinishing(false)} />
      )}
      <Unsent hearing={hearing} />
      <Grid
        templateColumns={{ base: "1fr", lg: "minmax(330px, 365px) minmax(0, 1fr) 255px" }}
        gap="12px"
        alignItems="start"
      >
        <HeardList lesson={lesson} hearing={hearing} severalPieces={pieces.length > 1} />
        <Paper p="10px 14px" minW={0} aria-busy={hearing.queue.waiting.length > 0}>
          <PartHead beside={<Ready outlooks={lesson.outlooks} named={pieces.length > 1} />}>
            Next week · {lesson.next_week.budget} minutes a day
          </PartHead>
          <Introductions student={student.id} all={lesson.introductions} named={pieces.length > 1} />
          {lesson.changed.length > 0 && (
            <Text role="status" fontSize="sm" bg="slateSoft" px="8px" py="3px" mb="6px">
              {lesson.changed.join(" · ")}
            </Text>
          )}
          <WeekColumns
            week={lesson.next_week}
            hand={lesson.overrides}
            student={student.id}
            severalPieces={
              new Set(lesson.next_week.days.flatMap((day) => day.items.map((item) => item.piece)).filter(Boolean))
                .size > 1
            }
          />
        </Paper>
        <Recap lesson={lesson} />
      </Grid>
    </>
  );
}

function HeardList({ lesson, hearing, severalPieces }: { lesson: Lesson; hearing: Hearing; severalPieces: boolean }) {
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
              <kbd>1</kbd>–<kbd>4</kbd> say, <kbd>?</kbd> all keys
            </>
          }
        >
          Heard today · {said} of {hearing.rows.length}
        </PartHead>
      </Box>
      {hearing.rows.length === 0 && <Empty>Nothing has been practised yet. The plan beside it starts the week.</Empty>}
      {hearing.rows.length > 0 && (
        <Box
          ref={list}
          maxH={{ lg: "calc(100vh - 240px)" }}
          overflowY="auto"
          role="list"
          aria-label="Steps of this week"
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
      {lesson.hear_first && (
        <Text px="14px" py="8px" fontSize="sm" color="soft">
          Hear first:{" "}
          <Text as="b" color="ink">
            {lesson.hear_first.title}
          </Text>
          {severalPieces && ` in ${lesson.hear_first.piece}`}. {lesson.hear_first.first}.
        </Text>
      )}
    </Paper>
  );
}

/** When the pieces are likely ready. */
function Ready({ outlooks, named }: { outlooks: Lesson["outlooks"]; named: boolean }) {
  return (
    <>
      {outlooks
        .filter((one) => one.middle && one.cautious)
        .map((one) => (
          <Text key={one.piece} color={one.late ? "brick" : "soft"} textAlign="right">
            {named && `${one.piece} `}ready {dayAndMonth(one.middle ?? "")}, at the latest{" "}
            {dayAndMonth(one.cautious ?? "")}
            {one.due_on && ` · due ${dayAndMonth(one.due_on)}`}
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
      <Flex role="status" bg="brassSoft" borderLeft="4px solid" borderColor="brass" px="12px" py="6px" mb="8px">
        No connection. {waiting.length} {waiting.length === 1 ? "result waits" : "results wait"} in this browser and
        will be sent when it is back; go on.
      </Flex>
    );
  return <Notice trouble={offline ? null : trouble} />;
}
