import { Text } from "@chakra-ui/react";
import { FileLink } from "../../components/FileLink";
import { Paper, PartHead } from "../../components/Paper";
import { useMay } from "../../components/Rights";
import { t } from "../../words";
import { Erase } from "./Erase";

/** All that is kept of a student, to be handed over; for who runs the studio. */
export function Record({
  student,
}: {
  student: { id: number; name: string; erasing_on?: string | null };
}) {
  const runs = useMay()("run");
  if (!runs) return null;
  return (
    <Paper as="section" aria-label={t("students.record.record")} p="12px 18px" flex="1 1 320px">
      <PartHead>{t("students.record.record")}</PartHead>
      <Text mt="4px">{t("students.record.about")}</Text>
      <FileLink href={`/api/students/${student.id}/record.zip`} display="block">
        {t("students.record.take_out", { name: student.name })}
      </FileLink>
      <Erase student={student} />
    </Paper>
  );
}
