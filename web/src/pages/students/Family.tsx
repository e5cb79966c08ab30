import { Flex, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import {
  useChangeFamily,
  useRenewCalendar,
  useStudents,
  useWithdrawCalendar,
} from "../../api/queries";
import { Button } from "../../components/Button";
import { CalendarLink } from "../../components/CalendarLink";
import { NameLink } from "../../components/NameLink";
import { Notice } from "../../components/Notice";
import { Paper, PartHead } from "../../components/Paper";
import { May } from "../../components/Rights";
import { Select } from "../../components/Select";
import { t } from "../../words";

/** The family around a student: brothers and sisters on one link, and the calendar. */
export function Family({ student }: { student: Schemas["Student"] }) {
  const family = useChangeFamily(student.id);
  const students = useStudents();
  const renew = useRenewCalendar(student.id);
  const withdraw = useWithdrawCalendar(student.id);
  const known = [student.id, ...student.family.map((one) => one.id)];
  const others =
    students.data?.filter(
      (one) => !one.left_on && one.may.includes("change") && !known.includes(one.id),
    ) ?? [];
  return (
    <Paper as="section" aria-label={t("students.family.title")} p="12px 18px" flex="1 1 320px">
      <PartHead>{t("students.family.title")}</PartHead>
      {student.family.map((one) => (
        <NameLink key={one.id} to={`/students/${one.id}`} mr="12px">
          {one.name}
        </NameLink>
      ))}
      <May to="change">
        <Flex gap="8px" mt="6px" wrap="wrap" align="center">
          <Select
            size="sm"
            aria-label={t("students.family.add")}
            value=""
            disabled={family.isPending}
            onChange={(event) => event.target.value && family.mutate(Number(event.target.value))}
          >
            <option value="">{t("students.family.add")}</option>
            {others.map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
          </Select>
          {student.family.length > 0 && (
            <Button size="sm" disabled={family.isPending} onClick={() => family.mutate(null)}>
              {t("students.family.take_out", { name: student.name })}
            </Button>
          )}
        </Flex>
        <Text fontSize="sm" color="soft" mt="4px">
          {t("students.family.about")}
        </Text>
        <Notice trouble={family.error} />
        <Text fontWeight={600} mt="10px">
          {t("lessons.calendar.of_the_family")}
        </Text>
        <CalendarLink
          path={student.calendar_path}
          busy={renew.isPending || withdraw.isPending}
          trouble={renew.error ?? withdraw.error}
          onRenew={() => renew.mutate()}
          onWithdraw={() => withdraw.mutate()}
        />
      </May>
    </Paper>
  );
}
