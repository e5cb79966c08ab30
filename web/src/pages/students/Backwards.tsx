import { Box, Flex, Heading, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useBackwards, usePlanBackwards } from "../../api/queries/backwards";
import { Button } from "../../components/Button";
import { dayAndMonth } from "../../components/dates";
import { Notice, Waiting } from "../../components/Notice";
import { t } from "../../words";

type Piece = Schemas["Student"]["pieces"][number];
type Props = { student: number; piece: Piece; today: string };

/** A plan backwards from the date a piece is due: what was taken, each undoable; and, when asked
 * for, that plan beside the usual one, before the teacher takes either. */
export function Backwards({ student, piece, today }: Props) {
  const [asked, setAsked] = useState(false);
  return (
    <Box className="no-print" mt="4px">
      {piece.backwards.length > 0 && <Taken student={student} piece={piece} />}
      {piece.backwards.length === 0 && piece.outlook.late && !asked && (
        <Button kind="quiet" size="sm" onClick={() => setAsked(true)}>
          {t("students.backwards.plan_from_the_date")}
        </Button>
      )}
      {piece.backwards.length === 0 && asked && (
        <Beside student={student} piece={piece} today={today} />
      )}
    </Box>
  );
}

function Taken({ student, piece }: Omit<Props, "today">) {
  const plan = usePlanBackwards(student, piece.id);
  const ids = piece.backwards.map((measure) => measure.id);
  return (
    <>
      <Flex
        role="group"
        aria-label={t("students.backwards.taken")}
        gap="6px"
        wrap="wrap"
        align="center"
      >
        <Text fontSize="sm" color="soft">
          {t("students.backwards.taken")}
        </Text>
        {piece.backwards.map(({ id, words }) => (
          <Button
            key={id}
            size="sm"
            disabled={plan.isPending}
            onClick={() => plan.mutate(ids.filter((other) => other !== id))}
          >
            {t("students.backwards.undo", { what: words })}
          </Button>
        ))}
        <Button kind="quiet" size="sm" disabled={plan.isPending} onClick={() => plan.mutate([])}>
          {t("students.backwards.as_usual_again")}
        </Button>
      </Flex>
      <Notice trouble={plan.error} />
    </>
  );
}

function Beside({ student, piece, today }: Props) {
  const both = useBackwards(student, piece.id);
  const plan = usePlanBackwards(student, piece.id);
  if (!both.data)
    return both.error ? (
      <Notice trouble={both.error} again={() => both.refetch()} />
    ) : (
      <Waiting what={t("students.backwards.the_plan")} />
    );
  const { usual, there, measures, needed } = both.data;
  if (!needed || measures.length === 0)
    return <Text fontSize="sm">{t("students.backwards.not_needed")}</Text>;
  return (
    <Box mt="6px">
      <Flex gap="16px" wrap="wrap" align="start">
        <Way title={t("students.backwards.usual")} way={usual} today={today} />
        <Way title={t("students.backwards.there")} way={there} today={today}>
          <Text fontSize="sm">{measures.map((measure) => measure.words).join("; ")}</Text>
          <Text fontSize="sm" color="soft">
            {t("students.backwards.always")}
          </Text>
          <Button
            kind="go"
            size="sm"
            mt="6px"
            disabled={plan.isPending}
            onClick={() => plan.mutate(measures.map((measure) => measure.id))}
          >
            {t("students.backwards.take_it")}
          </Button>
        </Way>
      </Flex>
      <Notice trouble={plan.error} />
    </Box>
  );
}

type WayProps = {
  title: string;
  way: Schemas["BackwardsWay"];
  today: string;
  children?: React.ReactNode;
};

/** One plan: when it is done with every day kept, and the rows of its first week. */
function Way({ title, way, today, children }: WayProps) {
  const days = Math.max(0, ...way.rows.map((row) => row.days.length));
  return (
    <Box flex="1 1 320px" minW="0" borderWidth="1px" borderColor="line" p="10px" borderRadius="3px">
      <Heading as="h3" fontSize="md">
        {title}
      </Heading>
      <Text fontSize="sm" mb="4px">
        {way.outlook.planned
          ? t("students.backwards.ready_if_kept", { day: dayAndMonth(way.outlook.planned, today) })
          : t(`outlook.${way.outlook.state}`)}
      </Text>
      {children}
      <Box as="table" w="100%" fontSize="sm" mt="6px" css={{ borderCollapse: "collapse" }}>
        <thead>
          <tr>
            <th style={{ textAlign: "left" }}>{t("students.backwards.first_week")}</th>
            {Array.from({ length: days }, (_, at) => at + 1).map((number) => (
              <th key={number} style={{ textAlign: "left" }}>
                {number}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {way.rows.map((row) => (
            <tr key={row.title}>
              <th scope="row" style={{ textAlign: "left", fontWeight: 600 }}>
                {row.title}
              </th>
              {row.days.map((stages, at) => (
                // Days have no other name than their number.
                <td key={at}>{stages.join(", ")}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </Box>
    </Box>
  );
}
