import { Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useEndExtraWork } from "../../api/queries";
import { Button } from "../../components/Button";
import { listed, minutes } from "../../components/dates";
import { Notice } from "../../components/Notice";
import { Paper, PartHead } from "../../components/Paper";
import { May } from "../../components/Rights";
import { t } from "../../words";
import { AddExtraWork, handsWords, kindWord } from "./AddExtraWork";

/** What stands beside the pieces: the teacher's own exercises and other work. */
export function ExtraWork({ student }: { student: Schemas["Student"] }) {
  const [adding, setAdding] = useState(false);
  const end = useEndExtraWork(student.id);
  return (
    <Paper p="12px 18px" flex="1 1 320px">
      <PartHead>{t("students.extra_work.extra_work")}</PartHead>
      {student.extra_work.length === 0 && !adding && (
        <Text color="soft">{t("students.extra_work.no_exercise_or_other_work_what")}</Text>
      )}
      {student.extra_work.map((one) => (
        <Flex key={one.id} gap="8px" align="baseline" py="2px">
          <Text>
            <b>{one.title}</b>{" "}
            <Text as="span" color="soft" fontSize="sm">
              {listed([
                kindWord(one.kind),
                minutes(one.minutes),
                one.kind !== "exercise" &&
                  t("students.extra_work.times_a_week", { count: one.times }),
                one.hands.length > 0 && handsWords(one.hands),
                one.keys.length > 1 &&
                  t("students.extra_work.a_key_each_week", { keys: one.keys.join(", ") }),
                one.keys.length === 1 && one.keys[0],
                one.higher && t("students.extra_work.higher_each_week", { count: one.higher }),
                one.one_of.length > 0 &&
                  t("students.extra_work.one_of", { choices: one.one_of.join(", ") }),
              ])}
            </Text>
          </Text>
          <May to="change">
            <Button
              size="xs"
              ml="auto"
              aria-label={t("students.extra_work.end_2", { title: one.title })}
              onClick={() => end.mutate(one.id)}
            >
              {t("students.extra_work.end")}
            </Button>
          </May>
        </Flex>
      ))}
      <Notice trouble={end.error} />
      {adding ? (
        <AddExtraWork student={student.id} onDone={() => setAdding(false)} />
      ) : (
        <May to="change">
          <Button size="sm" mt="6px" onClick={() => setAdding(true)}>
            {t("students.extra_work.add_an_exercise_or_other_work")}
          </Button>
        </May>
      )}
    </Paper>
  );
}
