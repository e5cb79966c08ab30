import { Flex, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { useEndPiece } from "../../api/queries";
import { Button } from "../../components/Button";
import { dayAndMonth, listed } from "../../components/dates";
import { Notice } from "../../components/Notice";
import { Paper, PartHead } from "../../components/Paper";
import { May } from "../../components/Rights";
import { t } from "../../words";
import { PastLesson } from "./PastLesson";

/** What is behind a student: the repertoire, and the lessons with what was told. */
export function Past({ student }: { student: Schemas["Student"] }) {
  const end = useEndPiece(student.id);
  if (student.repertoire.length === 0 && student.lessons.length === 0) return null;
  return (
    <Flex gap="16px" mt="12px" wrap="wrap" align="stretch">
      {student.repertoire.length > 0 && (
        <Paper
          as="section"
          aria-label={t("students.past.repertoire")}
          p="12px 18px"
          flex="1 1 320px"
        >
          <PartHead>{t("students.past.repertoire")}</PartHead>
          {student.repertoire.map((one) => (
            <Flex key={one.id} gap="8px" align="baseline">
              <Text>
                <b>{one.title}</b>{" "}
                <Text as="span" color="soft" fontSize="sm">
                  {listed([
                    t(`students.past.${one.ended}`, { day: dayAndMonth(one.ended_on) }),
                    one.keep_for && t("students.past.for", { day: dayAndMonth(one.keep_for) }),
                    t("students.past.assigned", { day: dayAndMonth(one.assigned_on) }),
                  ])}
                </Text>
              </Text>
              <May to="change">
                <Button
                  size="xs"
                  ml="auto"
                  onClick={() => end.mutate({ assignment: one.id, ended: null })}
                >
                  {t("students.past.take_up_again", { title: one.title })}
                </Button>
              </May>
            </Flex>
          ))}
          <Notice trouble={end.error} />
        </Paper>
      )}
      {student.lessons.length > 0 && (
        <Paper as="section" aria-label={t("students.past.lessons")} p="12px 18px" flex="1 1 420px">
          <PartHead>{t("students.past.lessons")}</PartHead>
          {student.lessons.map((one) => (
            <PastLesson key={one.day} student={student.id} lesson={one} />
          ))}
          <Button
            size="xs"
            mt="8px"
            onClick={() =>
              window.open(`/api/students/${student.id}/week.pdf?recaps=lately`, "_blank")
            }
          >
            {t("students.past.print")}
          </Button>
        </Paper>
      )}
    </Flex>
  );
}
