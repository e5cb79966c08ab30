import { Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useConsent } from "../../api/queries/records";
import { Button } from "../../components/Button";
import { dateWithYear } from "../../components/dates";
import { Labelled } from "../../components/Labelled";
import { Notice } from "../../components/Notice";
import { Paper, PartHead } from "../../components/Paper";
import { Tick } from "../../components/Tick";
import { t } from "../../words";

type Props = { student: Pick<Schemas["Student"], "id" | "name" | "consent" | "may"> };

/** What a guardian agreed to: shown where the studio asks for it, or where it was given. */
export function Consent({ student }: Props) {
  const { consent } = student;
  const [changing, setChanging] = useState(false);
  if (!consent.asked && !consent.records_on && !consent.recordings_on) return null;
  const given = (what: "records" | "recordings") => {
    const day = consent[`${what}_on`];
    return day
      ? t(`students.consent.${what}_since`, { day: dateWithYear(day) })
      : t(`students.consent.${what}_missing`, { name: student.name });
  };
  return (
    <Paper as="section" aria-label={t("students.consent.consent")} p="12px 18px" flex="1 1 320px">
      <PartHead>{t("students.consent.consent")}</PartHead>
      {changing ? (
        <Change student={student} onDone={() => setChanging(false)} />
      ) : (
        <>
          <Text mt="4px" color={consent.records_on ? undefined : "brick"}>
            {given("records")}
          </Text>
          <Text color={consent.recordings_on ? undefined : "soft"}>{given("recordings")}</Text>
          {consent.by && (
            <Text color="soft">{t("students.consent.given_by", { by: consent.by })}</Text>
          )}
          {student.may.includes("change") && (
            <Button mt="8px" size="sm" onClick={() => setChanging(true)}>
              {t("students.consent.change")}
            </Button>
          )}
        </>
      )}
    </Paper>
  );
}

function Change({ student, onDone }: Props & { onDone: () => void }) {
  const { consent } = student;
  const [by, setBy] = useState(consent.by);
  const [records, setRecords] = useState(consent.records_on !== null);
  const [recordings, setRecordings] = useState(consent.recordings_on !== null);
  const save = useConsent(student.id);
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate({ by, records, recordings }, { onSuccess: onDone });
      }}
    >
      <Tick checked={records} onChange={(event) => setRecords(event.target.checked)}>
        {t("students.consent.may_keep_records", { name: student.name })}
      </Tick>
      <Tick checked={recordings} onChange={(event) => setRecordings(event.target.checked)}>
        {t("students.consent.may_record_recaps")}
      </Tick>
      <Labelled
        label={t("students.consent.guardian")}
        width="260px"
        value={by}
        onChange={(event) => setBy(event.target.value)}
      />
      <Flex gap="8px" mt="8px">
        <Button type="submit" disabled={save.isPending}>
          {t("students.consent.save")}
        </Button>
        <Button type="button" kind="quiet" onClick={onDone}>
          {t("students.consent.leave_it")}
        </Button>
      </Flex>
      <Notice trouble={save.error} />
    </form>
  );
}
