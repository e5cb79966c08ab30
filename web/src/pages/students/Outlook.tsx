import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useTakeOption, useWaysOut } from "../../api/queries";
import { Button } from "../../components/Button";
import { dayAndMonth, listed } from "../../components/dates";
import { latest } from "../../components/latest";
import { Notice } from "../../components/Notice";
import { useMay } from "../../components/Rights";
import { t } from "../../words";
import { Backwards } from "./Backwards";

type Piece = Schemas["Student"]["pieces"][number];
type Props = {
  student: number;
  piece: Piece;
  today: string /** What the dates rest on. */;
  restsOn?: string;
};

/** When a piece will be ready as this student practises; where that is too
 * late, what would help, each with its date. */
export function Outlook({ student, piece, today, restsOn }: Props) {
  const may = useMay();
  const { planned, state, likely, cautious, due_on, late } = piece.outlook;
  return (
    <Box mt="8px">
      <Text>
        {likely && planned ? (
          <>
            {t("students.outlook.likely_ready")} <b>{dayAndMonth(likely, today)}</b>,{" "}
            {t("students.outlook.all_but_certainly_by")} <b>{latest(cautious, today)}</b>{" "}
            <Text as="span" color="soft">
              ({t("students.outlook.if_no_day_is_missed", { day: dayAndMonth(planned, today) })}
              {restsOn && `; ${restsOn}`})
            </Text>
          </>
        ) : (
          t(`outlook.${state}`)
        )}
        {due_on && (
          <Text as="span" color={late ? "brick" : "soft"} fontWeight={late ? 650 : 400}>
            {" · "}
            {listed([
              t("students.outlook.due", { day: dayAndMonth(due_on, today) }),
              late && t("students.outlook.and_it_may_be_later"),
            ])}
          </Text>
        )}
      </Text>
      {may("change") && (
        <>
          {(late || state === "distant") && (
            <Help student={student} piece={piece.id} today={today} />
          )}
          {due_on && (
            <Backwards
              key={piece.backwards.length > 0 ? "taken" : "usual"}
              student={student}
              piece={piece}
              today={today}
            />
          )}
        </>
      )}
    </Box>
  );
}

/** Every way out is foretold anew, which takes a moment: it is looked for when one asks. */
function Help(late: { student: number; piece: number; today: string }) {
  const [asked, setAsked] = useState(false);
  return asked ? (
    <WaysOut {...late} />
  ) : (
    <Button kind="quiet" size="sm" className="no-print" onClick={() => setAsked(true)}>
      {t("students.outlook.what_would_help_now")}
    </Button>
  );
}

/** What would help, as small as it can be; one press takes it. */
function WaysOut({ student, piece, today }: { student: number; piece: number; today: string }) {
  const ways = useWaysOut(student, piece);
  const take = useTakeOption(student);
  return (
    <Box className="no-print">
      <Flex
        gap="6px"
        mt="4px"
        wrap="wrap"
        align="center"
        role="group"
        aria-label={t("students.outlook.what_would_help")}
      >
        <Text fontSize="sm" color="soft">
          {t(`students.outlook.${!ways.data ? "what_would_help" : said(ways.data)}`)}
        </Text>
        {ways.isLoading && <Text fontSize="sm">{t("students.outlook.looking")}</Text>}
        {ways.data?.map((one) => (
          <Button
            key={one.change}
            size="sm"
            h="auto"
            minH="34px"
            whiteSpace="normal"
            textAlign="left"
            disabled={take.isPending}
            onClick={() => take.mutate({ change: one.change, assignment_id: piece })}
          >
            {one.words}: {dayAndMonth(one.date, today)}
          </Button>
        ))}
      </Flex>
      <Notice trouble={ways.error ?? take.error} />
    </Box>
  );
}

function said(ways: Schemas["WayOut"][]) {
  if (ways.length === 0) return "nothing_would_help";
  return ways.some((one) => one.reaches) ? "what_would_help" : "none_reaches_it";
}
