import { Link, Text } from "@chakra-ui/react";
import { Paper, PartHead } from "../../components/Paper";
import { useMay } from "../../components/Rights";
import { t } from "../../words";
import { Erase } from "./Erase";

/** All that is kept of a student, to be handed over; for who runs the studio. */
export function Record({ student }: { student: { id: number; name: string } }) {
  const runs = useMay()("run");
  if (!runs) return null;
  return (
    <Paper as="section" aria-label={t("students.record.record")} p="12px 18px" flex="1 1 320px">
      <PartHead>{t("students.record.record")}</PartHead>
      <Text mt="4px">{t("students.record.about")}</Text>
      <Link href={`/api/students/${student.id}/record.zip`} download display="block" minH="24px" fontWeight={650}>
        {t("students.record.take_out", { name: student.name })}
      </Link>
      <Erase student={student} />
    </Paper>
  );
}
