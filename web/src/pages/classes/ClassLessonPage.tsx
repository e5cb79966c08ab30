import { Box, chakra, Flex, Text } from "@chakra-ui/react";
import { useRef, useState } from "react";
import { useNavigate, useParams } from "react-router";
import { newKey } from "../../api/client";
import {
  useClassLesson,
  useFinishClass,
  useHearInClass,
  useJudge,
  useSession,
} from "../../api/queries";
import { Button } from "../../components/Button";
import { fullDay } from "../../components/dates";
import { useHelp } from "../../components/KeyHelp";
import { NameLink } from "../../components/NameLink";
import { Empty, Lost, Notice, Waiting } from "../../components/Notice";
import { PageHead, Paper } from "../../components/Paper";
import { t } from "../../words";
import { Absent } from "./Absent";
import { isAway, type Lesson, type Member, next, RESULTS, said } from "./cells";

const Cell = chakra("button", {
  base: {
    w: "100%",
    minH: "36px",
    px: "6px",
    fontSize: "sm",
    textAlign: "center",
    borderRadius: "3px",
    border: "1px solid",
    borderColor: "line",
    bg: "sheet",
    cursor: "pointer",
    _disabled: { opacity: 0.45, cursor: "default" },
  },
});
const Head = chakra("th", {
  base: {
    fontSize: "sm",
    fontWeight: 650,
    px: "6px",
    py: "4px",
    textAlign: "left",
    verticalAlign: "bottom",
  },
});

/** A class lesson on one screen: members down, criteria and steps across; a figure for what
 * was heard, arrows to move, `a` for who is absent. */
export default function ClassLessonPage() {
  const id = Number(useParams().id);
  const lesson = useClassLesson(id);
  if (lesson.error && !lesson.data)
    return <Lost trouble={lesson.error} again={() => lesson.refetch()} />;
  if (!lesson.data) return <Waiting what={t("lesson.lesson_page.the_lesson")} />;
  return <Held lesson={lesson.data} />;
}

function Held({ lesson }: { lesson: Lesson }) {
  const go = useNavigate();
  const hear = useHearInClass(lesson.id);
  const judge = useJudge(lesson.id);
  const finish = useFinishClass(lesson.id);
  const mails = useSession().data?.mail ?? false;
  const table = useRef<HTMLTableElement>(null);
  const [at, setAt] = useState<[number, number]>([0, 0]);
  useHelp(t("classes.lesson.help"), [
    ["← ↑ ↓ →", t("classes.lesson.from_cell_to_cell")],
    ["1 2 3 4", t("classes.lesson.figures")],
    ["0", t("classes.lesson.takes_it_back")],
    ["a", t("classes.lesson.absent")],
  ]);
  const { unit, steps, members } = lesson;
  const criteria = unit?.criteria ?? [];
  const width = criteria.length + steps.length;
  const focus = (row: number, column: number) => {
    const to: [number, number] = [
      Math.min(Math.max(row, 0), members.length - 1),
      Math.min(Math.max(column, 0), width - 1),
    ];
    setAt(to);
    table.current?.querySelector<HTMLElement>(`[data-cell="${to.join(" ")}"]`)?.focus();
  };
  const say = (member: Member, column: number, figure: number) => {
    const criterion = criteria[column];
    if (criterion && unit) {
      if (member.in_unit && figure <= criterion.levels.length)
        judge.mutate({
          unit_id: unit.id,
          student_id: member.id,
          criterion: criterion.key,
          level: figure || null,
          key: newKey(),
        });
      return;
    }
    const step = steps[column - criteria.length];
    const cell = step && member.cells[step.key];
    const result = RESULTS[figure];
    if (step && cell && result)
      hear.mutate({
        cell: step.key,
        student_id: member.id,
        assignment_id: cell.assignment_id,
        step_id: cell.step_id,
        result,
        key: newKey(),
      });
  };
  const MOVES: Record<string, [number, number]> = {
    ArrowUp: [-1, 0],
    ArrowDown: [1, 0],
    ArrowLeft: [0, -1],
    ArrowRight: [0, 1],
  };
  const onKey = (event: React.KeyboardEvent) => {
    const member = members[at[0]];
    const move = MOVES[event.key];
    if (event.ctrlKey || event.metaKey || event.altKey || !member) return;
    if (move) focus(at[0] + move[0], at[1] + move[1]);
    else if (/^[0-9]$/.test(event.key) && !isAway(member) && member.may.includes("hear"))
      say(member, at[1], Number(event.key));
    else if (event.key === "a") document.getElementById(`absent-${member.id}`)?.click();
    else return;
    event.preventDefault();
  };
  const open = members.filter((one) => !one.finished && one.lesson && !isAway(one)).length;
  const held = members.some((one) => one.finished);
  const sends = mails && members.some((one) => one.addressed);
  return (
    <>
      <PageHead
        title={`${lesson.name}, ${fullDay(lesson.today)}`}
        about={
          unit
            ? t("classes.unit_due", {
                title: unit.title,
                day: fullDay(unit.due_on),
                time: unit.due_time,
              })
            : t("classes.no_unit")
        }
      >
        <Button onClick={() => go(`/classes/${lesson.id}`)}>
          {t("classes.lesson.back", { name: lesson.name })}
        </Button>
        {sends && (
          <Button disabled={finish.isPending || open === 0} onClick={() => finish.mutate(true)}>
            {t("classes.lesson.finish_and_send")}
          </Button>
        )}
        <Button
          kind="go"
          disabled={finish.isPending || open === 0}
          onClick={() => finish.mutate(false)}
        >
          {open === 0
            ? t(held ? "classes.lesson.finished" : "classes.lesson.none_today")
            : t("classes.lesson.finish", { count: open })}
        </Button>
      </PageHead>
      <Notice trouble={hear.error ?? judge.error ?? finish.error} />
      <Paper p="10px 12px" overflowX="auto">
        {members.length === 0 && <Empty>{t("classes.nobody_yet")}</Empty>}
        <table
          ref={table}
          style={{ borderCollapse: "separate", borderSpacing: 4, width: "100%" }}
          aria-label={t("classes.lesson.table")}
        >
          <thead>
            <tr>
              <Head scope="col">{t("classes.members")}</Head>
              {criteria.map((one) => (
                <Head
                  key={one.key}
                  scope="col"
                  title={one.levels.map((level, index) => `${index + 1}: ${level}`).join("\n")}
                >
                  {one.name}
                </Head>
              ))}
              {steps.map((one) => (
                <Head key={one.key} scope="col" color="soft">
                  {one.title}
                  {unit?.pieces.length !== 1 && (
                    <Text fontSize="xs" fontWeight={400}>
                      {one.piece}
                    </Text>
                  )}
                </Head>
              ))}
            </tr>
          </thead>
          <tbody onKeyDown={onKey}>
            {members.map((member, row) => (
              <tr
                key={member.id}
                style={{ textDecoration: isAway(member) ? "line-through" : undefined }}
              >
                <th scope="row" style={{ textAlign: "left", minWidth: 190, padding: "2px 6px" }}>
                  <Flex align="center" gap="8px" justify="space-between">
                    <Box>
                      <NameLink fontSize="md" to={`/students/${member.id}/lesson`}>
                        {member.name}
                      </NameLink>
                      {member.finished && (
                        <Text as="span" fontSize="sm" color="soft" fontWeight={400}>
                          {" "}
                          {t("today.today_page.heard")}
                        </Text>
                      )}
                    </Box>
                    <Absent member={member} />
                  </Flex>
                </th>
                {Array.from({ length: width }, (_, column) => {
                  const criterion = criteria[column];
                  const step = steps[column - criteria.length];
                  const off = criterion ? !member.in_unit : !(step && member.cells[step.key]);
                  return (
                    <td key={criterion?.key ?? step?.key}>
                      <Cell
                        type="button"
                        data-cell={`${row} ${column}`}
                        tabIndex={at[0] === row && at[1] === column ? 0 : -1}
                        aria-disabled={off}
                        aria-label={t("classes.lesson.cell", {
                          name: member.name,
                          what: criterion?.name ?? step?.title ?? "",
                          said: said(member, criterion, step),
                        })}
                        bg={off || isAway(member) ? "transparent" : undefined}
                        onFocus={() => setAt([row, column])}
                        onClick={() =>
                          !off &&
                          !isAway(member) &&
                          say(member, column, next(member, criterion, step))
                        }
                      >
                        {said(member, criterion, step) || (off ? "" : "·")}
                      </Cell>
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </table>
      </Paper>
      <Text mt="8px" fontSize="sm" color="soft">
        {t("classes.lesson.keys")}
      </Text>
    </>
  );
}
