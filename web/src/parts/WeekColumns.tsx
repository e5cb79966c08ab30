import { Box, Flex, Grid, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { Schemas } from "../api/client";
import { colour, tintOf } from "../theme/system";
import { Button } from "./Button";
import { dayAndMonth, minutes, shortDay } from "./dates";
import { WarmUps } from "./WarmUps";

type Week = Schemas["Week"];
type Day = Week["days"][number];
type Item = Schemas["WeekItem"];

// Units of height for a minute, and the least a step needs to be read.
const MINUTE = 15;
const LEAST = 44;

/** A week as day columns: the longer a step, the taller. Pointing at a step, or
 * coming to it by keyboard, says where it is, why it stands there and how its
 * minutes come about. */
export function WeekColumns({ week, severalPieces }: { week: Week; severalPieces: boolean }) {
  const [shown, setShown] = useState<Item | null>(null);
  if (week.days.length === 0)
    return (
      <Text color="soft">There is no practice day before the next lesson on {dayAndMonth(week.next_lesson)}.</Text>
    );
  return (
    <>
      <Grid templateColumns={`repeat(${week.days.length}, minmax(0, 1fr))`} gap="8px" alignItems="start">
        {week.days.map((day) => (
          <Column key={day.date} day={day} budget={week.budget} severalPieces={severalPieces} onShow={setShown} />
        ))}
      </Grid>
      <Box minH="38px" mt="4px" fontSize="sm" color="soft" aria-live="polite">
        {shown ? (
          <>
            <Text as="b" color="ink">
              {shown.title}
            </Text>{" "}
            ({shown.piece}, {shown.place}): {shown.why}. {shown.arithmetic}.
          </>
        ) : (
          "Point at a step to see why it stands there."
        )}
      </Box>
      <LeftOut week={week} />
    </>
  );
}

type ColumnProps = { day: Day; budget: number; severalPieces: boolean; onShow: (item: Item) => void };

function Column({ day, budget, severalPieces, onShow }: ColumnProps) {
  return (
    <Box
      as="section"
      aria-label={`${shortDay(day.date)} ${dayAndMonth(day.date)}, ${day.minutes} of ${budget} minutes`}
    >
      <Flex justify="space-between" align="baseline" gap="4px" wrap="wrap">
        <Text fontWeight={700} whiteSpace="nowrap">
          {shortDay(day.date)}{" "}
          <Text as="span" fontWeight={400} fontSize="sm" color="soft">
            {dayAndMonth(day.date)}
          </Text>
        </Text>
        <Text color="soft" fontSize="sm" whiteSpace="nowrap">
          {minutes(day.minutes)}
        </Text>
      </Flex>
      <Box aria-hidden="true" h="4px" bg="shade" mb="6px" mt="1px">
        <Box h="4px" bg="ink" style={{ width: `${Math.min(day.minutes / budget, 1) * 100}%` }} />
      </Box>
      <WarmUps all={day.warm_ups} small />
      {day.items.map((item) => (
        <Standing
          key={`${item.assignment_id}/${item.step_id}`}
          item={item}
          severalPieces={severalPieces}
          onShow={() => onShow(item)}
        />
      ))}
      {day.items.length === 0 && (
        <Text fontSize="sm" color="soft">
          nothing planned
        </Text>
      )}
    </Box>
  );
}

function Standing({ item, severalPieces, onShow }: { item: Item; severalPieces: boolean; onShow: () => void }) {
  return (
    <Button
      display="block"
      w="100%"
      h="auto"
      textAlign="left"
      whiteSpace="normal"
      fontWeight={400}
      lineHeight={1.25}
      px="10px"
      py="3px"
      mb="4px"
      bg={item.begins ? "brassSoft" : "sheet"}
      borderColor={item.begins ? "brass" : "line"}
      onFocus={onShow}
      onMouseEnter={onShow}
      onClick={onShow}
      style={{
        minHeight: Math.max(item.minutes * MINUTE, severalPieces ? LEAST + 16 : LEAST),
        boxShadow: `inset 4px 0 0 ${item.section ? tintOf(item.section) : colour("line")}`,
      }}
    >
      <Text fontWeight={650}>{item.title}</Text>
      {severalPieces && (
        <Text fontSize="sm" color="soft">
          {item.piece}
        </Text>
      )}
      <Text fontSize="sm" color={item.begins ? "brass" : "soft"}>
        {minutes(item.minutes)}
        {item.kind === "review"
          ? " · to keep it"
          : item.begins
            ? " · new"
            : ` · ${item.repetitions}×${item.tempo ? ` at ${item.tempo}` : ""}`}
      </Text>
    </Button>
  );
}

/** What stands on no day this week, and why. */
function LeftOut({ week }: { week: Week }) {
  const never = week.left_out.filter((one) => !one.fits);
  const later = week.left_out.filter((one) => one.fits);
  return (
    <Box fontSize="sm">
      {never.length > 0 && (
        <Box mb="6px">
          <Text fontWeight={700} color="brick">
            Does not fit
          </Text>
          {never.map((one) => (
            <Text key={`${one.assignment_id}/${one.step_id}`}>
              <b>{one.title}</b> ({one.piece}): {one.why}.
            </Text>
          ))}
        </Box>
      )}
      {later.length > 0 && (
        <details>
          <summary style={{ cursor: "pointer", fontWeight: 650 }}>
            {later.length} {later.length === 1 ? "step comes" : "steps come"} later
          </summary>
          {later.map((one) => (
            <Text key={`${one.assignment_id}/${one.step_id}`} color="soft">
              <b>{one.title}</b> ({one.piece}): {one.why}.
            </Text>
          ))}
        </details>
      )}
    </Box>
  );
}
