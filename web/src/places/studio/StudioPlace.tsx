import { Box, Grid, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { useStudio } from "../../api/queries";
import { Climb } from "../../parts/Climb";
import { dayAndMonth, FROM_MONDAY, WEEKDAYS } from "../../parts/dates";
import { NameLink } from "../../parts/NameLink";
import { Empty, Notice, Waiting } from "../../parts/Notice";
import { Paper, PlaceHead } from "../../parts/Paper";
import { colour } from "../../theme/system";

type Row = Schemas["StudioRow"];

const COLUMNS = "minmax(120px, 150px) minmax(300px, 2fr) 190px minmax(160px, 1fr)";
const HEARD: Record<string, string> = { not_yet: "not yet", shaky: "shaky", steady: "steady", secure: "secure" };

/** Every student of every teacher at a glance. */
export function StudioPlace() {
  const studio = useStudio();
  const week = FROM_MONDAY.filter((day) => studio.data?.some((row) => row.lesson_weekday === day));
  return (
    <>
      <PlaceHead
        title="Studio"
        about="Every student: the climb of each piece, this week's practice, and what was last heard."
      />
      <Notice trouble={studio.error} again={() => studio.refetch()} />
      {studio.isPending && <Waiting what="the studio" />}
      {studio.data?.length === 0 && (
        <Paper>
          <Empty>No student yet. Add the first one under Students.</Empty>
        </Paper>
      )}
      {studio.data && studio.data.length > 0 && (
        <Paper role="table" aria-label="All students" overflowX="auto" tabIndex={0}>
          <Grid
            role="row"
            templateColumns={COLUMNS}
            gap="16px"
            px="16px"
            py="8px"
            color="soft"
            fontSize="sm"
            fontWeight={700}
            borderBottom="1px solid"
            borderColor="line"
            minW="860px"
          >
            <span role="columnheader">Student</span>
            <span role="columnheader">Pieces, by work that is steady</span>
            <span role="columnheader">Practised this week</span>
            <span role="columnheader">Last heard</span>
          </Grid>
          {week.map((day) => (
            <Box key={day} role="rowgroup" aria-label={WEEKDAYS[day]}>
              <Text px="16px" pt="8px" fontSize="sm" fontWeight={700} color="soft">
                {WEEKDAYS[day]}
              </Text>
              {studio.data
                .filter((row) => row.lesson_weekday === day)
                .map((row) => (
                  <Line key={row.id} row={row} />
                ))}
            </Box>
          ))}
        </Paper>
      )}
    </>
  );
}

function Line({ row }: { row: Row }) {
  return (
    <Grid
      role="row"
      templateColumns={COLUMNS}
      gap="16px"
      px="16px"
      py="7px"
      alignItems="center"
      borderBottom="1px solid"
      borderColor="line"
      minW="860px"
    >
      <Box role="cell">
        <NameLink to={`/students/${row.id}`}>{row.name}</NameLink>
        <Text fontSize="sm" color="soft">
          {row.lesson_time}, {row.teacher}
        </Text>
      </Box>
      <Box role="cell">
        {row.pieces.length === 0 && <Text color="soft">no piece yet</Text>}
        {row.pieces.map((piece) => (
          <Grid key={piece.title} templateColumns="minmax(110px, 150px) 52px 1fr" gap="10px" alignItems="center">
            <Text>{piece.title}</Text>
            <Text fontWeight={700} textAlign="right">
              {piece.percent} %
            </Text>
            <Climb steps={piece.steps} percent={piece.percent} title={piece.title} />
          </Grid>
        ))}
      </Box>
      <Box role="cell">
        <Days done={row.practised.done} of={row.practised.of} />
      </Box>
      <Box role="cell">
        {row.last_heard ? (
          <>
            <Text>
              <b>{HEARD[row.last_heard.result]}</b>{" "}
              <Text as="span" color="soft">
                on {dayAndMonth(row.last_heard.day)}
              </Text>
            </Text>
            <Text fontSize="sm" color="soft">
              {row.last_heard.title}
            </Text>
          </>
        ) : (
          <Text color="soft">nothing yet</Text>
        )}
      </Box>
    </Grid>
  );
}

/** Days practised of days planned, as boxes and in words. */
function Days({ done, of }: { done: number; of: number }) {
  if (of === 0) return <Text color="soft">no plan</Text>;
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
      <Text>
        {done} of {of} days
      </Text>
    </Box>
  );
}
