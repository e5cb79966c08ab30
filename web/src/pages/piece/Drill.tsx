import { Flex, Text } from "@chakra-ui/react";
import { Play } from "lucide-react";
import { useEffect, useState } from "react";
import { newKey, type Schemas } from "../../api/client";
import { useDrill, useKeepDrill, useStudents, type Whose } from "../../api/queries";
import { Button } from "../../components/Button";
import { ordinal } from "../../components/dates";
import { Notice } from "../../components/Notice";
import { Paper } from "../../components/Paper";
import { Select } from "../../components/Select";
import { t } from "../../words";
import { type Ear, useEar } from "./useEar";

type Question = Schemas["Question"];
type Props = {
  id: number;
  whose: Whose;
  revision: number;
  /** A bar pressed on the page. */
  answer: number | null;
  onAnswered: () => void;
  /** The piece as played, to say which time a bar is played. */
  visits: Schemas["Visit"][];
  /** Where the student stands, as a place in the piece as played. */
  onStand: (at: number | null) => void;
  /** Beats a minute at which what came before is sounded. */
  tempo: number;
  onEnd: () => void;
};

/** Where next? At each sign the student shows the bar that comes, on the page
 * or by its figure. What was wrong says why; the first answers are kept. */
export function Drill({
  id,
  whose,
  revision,
  visits,
  answer,
  onAnswered,
  onStand,
  tempo,
  onEnd,
}: Props) {
  const drill = useDrill(id, whose, revision);
  const [at, setAt] = useState(0);
  const [missed, setMissed] = useState<number[]>([]);
  const [said, setSaid] = useState<{ right: boolean; why: string } | null>(null);
  const questions = drill.data ?? [];
  const question = questions[at];
  const ear = useEar(id, whose, tempo, question?.at);

  // biome-ignore lint/correctness/useExhaustiveDependencies: said once for each question
  useEffect(() => {
    onStand(question?.at ?? null);
  }, [question]);

  const pick = (bar: number | null) => {
    if (!question || said?.right) return;
    const choice = question.choices.find((one) => one.bar === bar);
    const right = bar === question.right;
    if (!right && !missed.includes(at)) setMissed([...missed, at]);
    setSaid({
      right,
      why: right
        ? question.why
        : (choice?.why ?? t("piece.drill.the_music_does_not_go_there", { why: question.why })),
    });
  };
  const next = () => {
    setSaid(null);
    setAt(at + 1);
  };

  // biome-ignore lint/correctness/useExhaustiveDependencies: a press on the page is one answer
  useEffect(() => {
    if (answer === null) return;
    pick(answer);
    onAnswered();
  }, [answer]);

  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if ((event.target as Element).matches("input, textarea, select")) return;
      const choice = question?.choices[Number(event.key) - 1];
      if (choice) pick(choice.bar);
      if (event.key === "Enter" && said?.right && !(event.target as Element).matches("button"))
        next();
      if (event.key === "Escape") onEnd();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  });

  return (
    <Paper
      p="10px 16px"
      mb="10px"
      borderTop="3px solid"
      borderTopColor="brass"
      aria-label={t("piece.drill.where_next")}
      role="region"
    >
      {drill.data?.length === 0 && (
        <Text>
          {t("piece.drill.nothing_to_ask_this_piece_is")}{" "}
          <Button size="sm" onClick={onEnd}>
            {t("piece.drill.close")}
          </Button>
        </Text>
      )}
      {question && (
        <Asked
          question={question}
          at={at}
          time={visits[question.at]?.time ?? 1}
          of={questions.length}
          onPick={pick}
          over={!!said?.right}
          ear={ear}
          onEnd={onEnd}
        />
      )}
      {said && (
        <Flex
          role="status"
          align="center"
          gap="10px"
          mt="6px"
          p="6px 10px"
          bg={said.right ? "railSoft" : "brickSoft"}
          borderRadius="3px"
        >
          <Text flex="1">
            <b>{said.right ? t("piece.drill.right") : t("piece.drill.not_there")}</b> {said.why}
          </Text>
          {said.right && (
            <Button kind="go" size="sm" autoFocus onClick={next}>
              {at + 1 < questions.length
                ? t("piece.drill.next_sign")
                : t("piece.drill.how_it_went")}
            </Button>
          )}
        </Flex>
      )}
      {drill.data && questions.length > 0 && !question && (
        <Result id={id} whose={whose} questions={questions} missed={missed} onEnd={onEnd} />
      )}
      <Notice trouble={drill.error ?? ear.trouble} />
    </Paper>
  );
}

type AskedProps = {
  question: Question;
  at: number;
  of: number;
  time: number;
  over: boolean;
  ear: Ear;
  onPick: (bar: number | null) => void;
  onEnd: () => void;
};

/** The question, large; by ear it does not say where one is. */
function Asked({ question, at, of, time, over, ear, onPick, onEnd }: AskedProps) {
  return (
    <>
      <Flex align="baseline" gap="10px" wrap="wrap">
        <Text as="h2" fontSize="xl" fontWeight={750} lineHeight={1.2}>
          {t("piece.drill.where_next")}
        </Text>
        <Text fontSize="lg">
          {ear.on ? (
            t("piece.drill.of_you_have_just_heard", { at: at + 1, of })
          ) : (
            <>
              {t("piece.drill.of_you_have_just_played", { at: at + 1, of })}{" "}
              <b>{t("piece.drill.bar", { bar: question.name })}</b>{" "}
              {t("piece.drill.for_the_time", { ordinal: ordinal(time) })}
            </>
          )}
        </Text>
        <Flex ml="auto" gap="8px">
          <Button kind="toggle" size="sm" aria-pressed={ear.on} onClick={ear.toggle}>
            {t("piece.drill.by_ear")}
          </Button>
          <Button kind="quiet" size="sm" onClick={onEnd}>
            {t("piece.drill.stop_asking")}
          </Button>
        </Flex>
      </Flex>
      <Flex mt="8px" gap="8px" wrap="wrap" align="center">
        {question.choices.map((choice, which) => (
          <Button
            key={choice.bar ?? "end"}
            size="lg"
            disabled={over}
            onClick={() => onPick(choice.bar)}
          >
            <kbd>{which + 1}</kbd>{" "}
            {choice.bar ? t("piece.drill.bar", { bar: choice.name }) : t("piece.drill.the_end")}
          </Button>
        ))}
        {ear.on && (
          <Button onClick={ear.play}>
            <Play size={14} /> {t("piece.drill.again")}
          </Button>
        )}
        <Text color="soft">{t("piece.drill.press_the_bar_on_the_page")}</Text>
      </Flex>
    </>
  );
}

type ResultProps = {
  id: number;
  whose: Whose;
  questions: Question[];
  missed: number[];
  onEnd: () => void;
};

function Result({ id, whose, questions, missed, onEnd }: ResultProps) {
  const students = useStudents();
  const keep = useKeepDrill(id);
  const [student, setStudent] = useState(/^\d+$/.test(whose) ? whose : "");
  const [key] = useState(newKey);
  const bars = missed.map((at) => questions[at]?.bar ?? 0);
  const name = students.data?.find((one) => String(one.id) === student)?.name;
  return (
    <Flex align="center" gap="8px" wrap="wrap">
      <Text>
        <b>
          {t("piece.drill.of_right", {
            right: questions.length - missed.length,
            of: questions.length,
          })}
        </b>{" "}
        {missed.length === 0
          ? t("piece.drill.at_the_first_try")
          : t("piece.drill.look_again", {
              bars: missed.map((at) => questions[at]?.name).join(", "),
              count: missed.length,
            })}
      </Text>
      {keep.isSuccess ? (
        <Text role="status">{t("piece.drill.kept_for", { name })}</Text>
      ) : (
        <>
          <Select
            w="170px"
            size="sm"
            aria-label={t("piece.drill.keep_it_for")}
            value={student}
            onChange={(event) => setStudent(event.target.value)}
          >
            <option value="">{t("piece.drill.keep_it_for_2")}</option>
            {students.data?.map((one) => (
              <option key={one.id} value={String(one.id)}>
                {one.name}
              </option>
            ))}
          </Select>
          <Button
            kind="go"
            size="sm"
            disabled={!student || keep.isPending}
            onClick={() =>
              keep.mutate({
                student_id: Number(student),
                key,
                asked: questions.length,
                missed: bars,
              })
            }
          >
            {t("piece.drill.keep_the_result")}
          </Button>
        </>
      )}
      <Button size="sm" onClick={onEnd}>
        {t("piece.drill.done")}
      </Button>
      <Notice trouble={keep.error} />
    </Flex>
  );
}
