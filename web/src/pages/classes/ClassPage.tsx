import { Box, Grid, Text } from "@chakra-ui/react";
import { useState } from "react";
import { useNavigate, useParams } from "react-router";
import type { Schemas } from "../../api/client";
import {
  useChangeClass,
  useChoosePiece,
  useClass,
  useEndClass,
  useEndUnit,
  useWaysOut,
} from "../../api/queries";
import { Button } from "../../components/Button";
import { dayAndMonth, fullDay, listed, minutes, weekdayName } from "../../components/dates";
import { latest } from "../../components/latest";
import { NameLink } from "../../components/NameLink";
import { Empty, Lost, Notice, Waiting } from "../../components/Notice";
import { PageHead, Paper, PartHead } from "../../components/Paper";
import { PrintWeeks } from "../../components/PrintWeeks";
import { useMay } from "../../components/Rights";
import { Select } from "../../components/Select";
import { t } from "../../words";
import { ClassForm } from "./ClassForm";
import { UnitForm } from "./UnitForm";

type Class = Schemas["Class"];
type Unit = Class["units"][number];

/** A class: its members, what they work toward, and who will be ready by the hour. */
export default function ClassPage() {
  const id = Number(useParams().id);
  const group = useClass(id);
  const [open, setOpen] = useState<"change" | "unit" | null>(null);
  const may = useMay();
  const go = useNavigate();
  if (group.error && !group.data)
    return <Lost trouble={group.error} again={() => group.refetch()} />;
  if (!group.data) return <Waiting what={t("classes.the_class")} />;
  const one = group.data;
  return (
    <>
      <PageHead
        title={one.name}
        about={listed([
          `${weekdayName(one.weekday)} ${one.time}`,
          minutes(one.minutes),
          one.teacher,
        ])}
      >
        {may("teach") && one.may.includes("change") && (
          <>
            <Button
              aria-expanded={open === "change"}
              onClick={() => setOpen(open === "change" ? null : "change")}
            >
              {t("classes.change")}
            </Button>
            <Button
              aria-expanded={open === "unit"}
              onClick={() => setOpen(open === "unit" ? null : "unit")}
            >
              {t("classes.new_unit")}
            </Button>
          </>
        )}
        {one.members.length > 0 && (
          <PrintWeeks students={one.members.map((member) => member.id)}>
            {t("today.today_page.print_their_weeks")}
          </PrintWeeks>
        )}
        {may("hear") && (
          <Button
            kind="go"
            disabled={one.members.length === 0}
            onClick={() => go(`/classes/${id}/lesson`)}
          >
            {t("classes.open_lesson")}
          </Button>
        )}
      </PageHead>
      {open === "change" && <ChangeClass one={one} onDone={() => setOpen(null)} />}
      {open === "unit" && <UnitForm group={one} onDone={() => setOpen(null)} />}
      {one.units.length === 0 && (
        <Paper>
          <Empty>{t("classes.no_unit_yet")}</Empty>
        </Paper>
      )}
      {one.units.map((unit) => (
        <OneUnit key={unit.id} group={one} unit={unit} />
      ))}
    </>
  );
}

/** What is known of a class, over what stood there when it was opened; what a colleague changed
 * meanwhile is said first, and then written over knowingly. */
function ChangeClass({ one, onDone }: { one: Class; onDone: () => void }) {
  const change = useChangeClass(one.id);
  const end = useEndClass();
  const go = useNavigate();
  const [seen] = useState(one.version);
  const version = change.error ? one.version : seen;
  return (
    <Paper p="16px 18px" mb="14px" borderColor="rail">
      <ClassForm
        start={{ ...one, members: one.members.map((member) => member.id) }}
        verb={t("lessons.keep")}
        trouble={change.error}
        busy={change.isPending}
        onCancel={onDone}
        onSave={({ name, teacher_id, weekday, time, minutes, members }) =>
          change.mutate(
            { name, teacher_id, weekday, time, minutes, members, version },
            { onSuccess: onDone },
          )
        }
      />
      <Button
        mt="10px"
        disabled={end.isPending}
        onClick={() => end.mutate(one.id, { onSuccess: () => go("/classes") })}
      >
        {t("classes.end_class")}
      </Button>
      <Notice trouble={end.error} />
    </Paper>
  );
}

const COLUMNS = { base: "1fr", md: "150px 190px 110px minmax(220px, 1fr) minmax(220px, 1fr)" };

function OneUnit({ group, unit }: { group: Class; unit: Unit }) {
  const end = useEndUnit(group.id);
  const may = useMay();
  const ready = unit.members.filter((one) => one.ready === "ready").length;
  return (
    <Paper as="section" aria-label={unit.title} p="12px 18px" mb="14px">
      <PartHead
        beside={
          <>
            {unit.ended
              ? t("classes.ended")
              : t("classes.due_ready", {
                  day: fullDay(unit.due_on),
                  time: unit.due_time,
                  ready,
                  count: unit.members.length,
                })}
            {may("teach") && (
              <Button
                kind="quiet"
                size="sm"
                ml="8px"
                disabled={end.isPending}
                onClick={() => end.mutate({ unit: unit.id, ended: !unit.ended })}
              >
                {unit.ended ? t("classes.take_up_again") : t("classes.end_it")}
              </Button>
            )}
          </>
        }
      >
        {unit.title}
      </PartHead>
      <Text fontSize="sm" color="soft">
        {unit.pieces.map((one) => one.title).join(" · ") || minutes(unit.minutes ?? 0)}
      </Text>
      <Notice trouble={end.error} />
      <Box mt="6px">
        {unit.members.map((one) => (
          <Member key={one.id} group={group} unit={unit} member={one} />
        ))}
      </Box>
    </Paper>
  );
}

function Member({
  group,
  unit,
  member,
}: {
  group: Class;
  unit: Unit;
  member: Unit["members"][number];
}) {
  const choose = useChoosePiece(group.id);
  const colour = member.ready === "late" ? "brick" : "ink";
  const judged = unit.criteria.flatMap((one) => {
    const level = member.levels[one.key];
    return level ? [`${one.name}: ${one.levels[level - 1]}`] : [];
  });
  return (
    <Grid
      role="group"
      aria-label={member.name}
      templateColumns={COLUMNS}
      gap="2px 14px"
      py="5px"
      borderTop="1px solid"
      borderColor="line"
      alignItems="baseline"
    >
      <NameLink to={`/students/${member.id}`}>{member.name}</NameLink>
      {unit.pieces.length > 1 && member.may.includes("change") && !unit.ended ? (
        <Select
          size="sm"
          aria-label={t("classes.piece_of", { name: member.name })}
          value={member.piece_id ?? ""}
          disabled={choose.isPending}
          onChange={(event) =>
            choose.mutate({
              unit: unit.id,
              student_id: member.id,
              piece_id: Number(event.target.value),
            })
          }
        >
          <option value="" disabled>
            {t("classes.chooses_still")}
          </option>
          {unit.pieces.map((one) => (
            <option key={one.id} value={one.id}>
              {one.title}
            </option>
          ))}
        </Select>
      ) : (
        <Text>{unit.pieces.find((one) => one.id === member.piece_id)?.title ?? ""}</Text>
      )}
      <Text color="soft">
        {member.percent !== null && t("classes.percent", { percent: member.percent })}
      </Text>
      <Box color={colour}>
        {member.in_it ? t(`classes.ready.${member.ready}`) : t("classes.not_in_it")}
        {member.ready !== "ready" && member.likely && (
          <Text as="span" color="soft">
            {" "}
            {t("classes.between", {
              from: dayAndMonth(member.likely),
              to: latest(member.cautious),
            })}
          </Text>
        )}
        {(member.ready === "late" || member.ready === "likely") &&
          member.assignment_id !== null && (
            <Help student={member.id} piece={member.assignment_id} />
          )}
      </Box>
      <Text fontSize="sm">{judged.join(", ")}</Text>
      <Notice trouble={choose.error} />
    </Grid>
  );
}

/** What would help a member who is late, asked for when it is wanted. */
function Help({ student, piece }: { student: number; piece: number }) {
  const [asked, setAsked] = useState(false);
  return asked ? (
    <Options student={student} piece={piece} />
  ) : (
    <Button kind="quiet" size="xs" onClick={() => setAsked(true)}>
      {t("classes.what_would_help")}
    </Button>
  );
}

function Options({ student, piece }: { student: number; piece: number }) {
  const ways = useWaysOut(student, piece);
  if (!ways.data) return <Notice trouble={ways.error} />;
  return (
    <Text fontSize="sm" color="soft">
      {ways.data.length > 0
        ? t("classes.would_help", { what: ways.data.map((one) => one.words).join("; ") })
        : t("classes.nothing_helps")}
    </Text>
  );
}
