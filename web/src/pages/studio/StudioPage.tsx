import { Box, Grid, Text } from "@chakra-ui/react";
import { memo } from "react";
import type { Schemas } from "../../api/client";
import { usePlanEveryone, useSession, useStudio, useStudioSettings } from "../../api/queries";
import { Button } from "../../components/Button";
import { Climb } from "../../components/Climb";
import { dayAndMonth, FROM_MONDAY, shortWeekday, weekdayName } from "../../components/dates";
import { latest } from "../../components/latest";
import { NameLink } from "../../components/NameLink";
import { Empty, Notice, Waiting } from "../../components/Notice";
import { PageHead, Paper } from "../../components/Paper";
import { PlanningRun } from "../../components/PlanningRun";
import { PrintWeeks } from "../../components/PrintWeeks";
import { May } from "../../components/Rights";
import { colour } from "../../theme/system";
import { language, t } from "../../words";
import { useMore } from "./useMore";
import { useView } from "./useView";
import { ViewBar } from "./ViewBar";

type Row = Schemas["StudioRow"];

const COLUMNS = "minmax(110px, 135px) minmax(420px, 2.6fr) 165px minmax(180px, 1.1fr)";
// A piece with its share, its climb and its dates.
const PIECE = "minmax(120px, 165px) minmax(90px, 1fr) 175px";

/** Every student of every teacher at a glance. */
export default function StudioPage() {
  const studio = useStudio();
  const plan = usePlanEveryone();
  const promises = useStudioSettings().data?.promises;
  const today = useSession().data?.studio?.today ?? "";
  const all = studio.data ?? [];
  const view = useView(all);
  const { rows } = view;
  const [shown, more] = useMore(rows);
  const groups: [string, Row[]][] =
    view.order === "lesson"
      ? FROM_MONDAY.map((day) => [
          weekdayName(day),
          shown.filter((row) => row.lesson_weekday === day),
        ])
      : [["", shown]];
  return (
    <>
      <PageHead
        title={t("studio.studio_page.studio")}
        about={t("studio.studio_page.every_student_the_climb_of_each")}
      >
        <PlanningRun />
        <May to="teach">
          <Button disabled={plan.isPending} onClick={() => plan.mutate(undefined)}>
            {t("studio.studio_page.plan_everyone_s_week")}
          </Button>
        </May>
        <PrintWeeks students={rows.map((row) => row.id)}>
          {t("studio.studio_page.print_weeks", { count: rows.length })}
        </PrintWeeks>
      </PageHead>
      <Notice trouble={plan.error} />
      {all.length > 0 && <ViewBar all={all} view={view} />}
      <Notice trouble={studio.error} again={() => studio.refetch()} />
      {studio.isPending && <Waiting what={t("studio.studio_page.the_studio")} />}
      {promises && promises.known > 0 && (
        <Text color="soft" mb="6px">
          {t("studio.studio_page.dates_held", { held: promises.held, count: promises.known })}
        </Text>
      )}
      {studio.data?.length === 0 && (
        <Paper>
          <Empty>{t("studio.studio_page.no_student_yet_add_the_first")}</Empty>
        </Paper>
      )}
      {studio.data && studio.data.length > 0 && (
        <Paper
          role="table"
          aria-label={t("studio.studio_page.all_students")}
          overflowX="auto"
          tabIndex={0}
        >
          <Grid
            role="row"
            hideBelow="lg"
            templateColumns={COLUMNS}
            gap="16px"
            px="16px"
            py="8px"
            color="soft"
            fontSize="sm"
            fontWeight={700}
            borderBottom="1px solid"
            borderColor="line"
          >
            <span role="columnheader">{t("studio.studio_page.student")}</span>
            <Grid role="columnheader" templateColumns={PIECE} gap="10px">
              <Box gridColumn="1 / 3">{t("studio.studio_page.pieces_by_work_that_is_steady")}</Box>
              <Box>{t("studio.studio_page.ready_and_due")}</Box>
            </Grid>
            <span role="columnheader">{t("studio.studio_page.practised_this_week")}</span>
            <span role="columnheader">{t("studio.studio_page.needs_attention")}</span>
          </Grid>
          {groups.map(([day, group]) =>
            group.length === 0 ? null : (
              <Box key={day} role="rowgroup" aria-label={day || t("studio.studio_page.students")}>
                {day && (
                  <Text px="16px" pt="8px" fontSize="sm" fontWeight={700} color="soft">
                    {day}
                  </Text>
                )}
                {group.map((row) => (
                  <Line key={row.id} row={row} day={!day} today={today} spoken={language()} />
                ))}
              </Box>
            ),
          )}
          {rows.length === 0 && (
            <Empty>{t("studio.studio_page.no_student_is_like_that_choose")}</Empty>
          )}
        </Paper>
      )}
      {more}
    </>
  );
}

// Drawn anew when its row changes, or the language.
const Line = memo(function Line({
  row,
  day,
  today,
}: {
  row: Row;
  day: boolean;
  today: string;
  spoken: string;
}) {
  return (
    <Grid
      role="row"
      templateColumns={{ base: "minmax(0, 1fr)", lg: COLUMNS }}
      gap={{ base: "4px", lg: "16px" }}
      px="16px"
      py="7px"
      alignItems="center"
      borderBottom="1px solid"
      borderColor="line"
    >
      <Box role="cell">
        <NameLink to={`/students/${row.id}`}>{row.name}</NameLink>
        <Text fontSize="sm" color="soft">
          {day && `${shortWeekday(row.lesson_weekday)} `}
          {row.lesson_time}, {row.teacher}
        </Text>
      </Box>
      <Box role="cell">
        {row.pieces.length === 0 && (
          <Text color="soft">
            {row.known
              ? t("studio.studio_page.no_piece_yet")
              : t("studio.studio_page.being_worked_out")}
          </Text>
        )}
        {row.pieces.map((piece) => (
          <Grid
            key={piece.title}
            templateColumns={{ base: "minmax(0, 1fr) minmax(0, 1fr)", lg: PIECE }}
            gap={{ base: "0 10px", lg: "10px" }}
            alignItems="center"
          >
            <Text lineHeight={1.25}>
              {piece.title} <b>{`${piece.percent}\u00a0%`}</b>
            </Text>
            <Climb piece={piece} outlook={outlookOf(row, piece.title)} today={today} />
            <Ready one={outlookOf(row, piece.title)} />
          </Grid>
        ))}
      </Box>
      <Box role="cell">
        {row.known && <Days done={row.practised.done} of={row.practised.of} />}
        {row.last_result && (
          <Text fontSize="sm" color="soft">
            {t("studio.studio_page.last_heard", {
              result: t(`lesson.results.${row.last_result.result}`),
              day: dayAndMonth(row.last_result.day),
            })}
          </Text>
        )}
        {row.known && !row.fresh && (
          <Text fontSize="sm" color="soft">
            {t("studio.studio_page.something_newer_is_being_worked_out")}
          </Text>
        )}
      </Box>
      <Box role="cell" fontSize="sm">
        {row.concerns.slice(0, 2).map((one) => (
          <Text key={one.text} color={one.kind === "late" ? "brick" : "ink"}>
            {one.text}
          </Text>
        ))}
        {row.concerns.length > 2 && (
          <Text color="soft">
            {t("studio.studio_page.and_more", { count: row.concerns.length - 2 })}
          </Text>
        )}
      </Box>
    </Grid>
  );
});

const outlookOf = (row: Row, title: string) => row.outlooks.find((one) => one.piece === title);

/** When a piece will be ready, and when it is due. */
function Ready({ one }: { one: Row["outlooks"][number] | undefined }) {
  if (!one) return <span />;
  return (
    <Text fontSize="sm" lineHeight={1.3} color={one.late ? "brick" : "soft"}>
      {one.likely
        ? t("studio.studio_page.latest", {
            likely: dayAndMonth(one.likely),
            cautious: latest(one.cautious, one.likely),
          })
        : t(`outlook.${one.state}`)}
      {one.due_on && ` · ${t("studio.studio_page.due", { day: dayAndMonth(one.due_on) })}`}
    </Text>
  );
}

/** Days practised of days planned, as boxes and in words. */
function Days({ done, of }: { done: number; of: number }) {
  if (of === 0) return <Text color="soft">{t("studio.studio_page.no_plan")}</Text>;
  return (
    <Box display="flex" alignItems="center" gap="8px">
      <svg width={of * 14} height="12" aria-hidden="true">
        {Array.from({ length: of }, (_, at) => (
          <rect
            key={`day ${at + 1}`}
            x={at * 14 + 0.75}
            y="0.75"
            width="10.5"
            height="10.5"
            rx="2"
            fill={at < done ? colour("ink") : colour("sheet")}
            stroke={colour("ink")}
          />
        ))}
      </svg>
      <Text>{t("studio.studio_page.of_days", { done, count: of })}</Text>
    </Box>
  );
}
