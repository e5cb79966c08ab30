import { Box, Flex, Grid, Text, Textarea } from "@chakra-ui/react";
import { useMemo, useState } from "react";
import { newKey } from "../../api/client";
import { type ListRead, useAddStudents, useReadStudents } from "../../api/queries";
import { Button } from "../../components/Button";
import { FROM_MONDAY, listed, minutes, shortWeekday, weekdayName } from "../../components/dates";
import { Notice } from "../../components/Notice";
import { Paper, PartHead } from "../../components/Paper";
import { useCalm } from "../../components/useCalm";
import { t } from "../../words";

type Line = ListRead["lines"][number] & { key: string };

/** A list of students, shown line by line before any is added. */
export function ImportStudents({ onDone }: { onDone: () => void }) {
  const add = useAddStudents();
  const [text, setText] = useState("");
  const calm = useCalm(text);
  const read = useReadStudents(calm);
  // A line has one key, however often the list is sent.
  const lines = useMemo<Line[]>(
    () => read.data?.lines.map((one) => ({ ...one, key: newKey() })) ?? [],
    [read.data],
  );
  const good = lines.flatMap(({ student, key }) => (student ? [{ ...student, key }] : []));
  return (
    <Paper
      as="section"
      aria-label={t("students.import.title")}
      p="16px 18px"
      mb="16px"
      borderColor="rail"
    >
      <PartHead>{t("students.import.title")}</PartHead>
      <Text mt="4px">{t("students.import.about")}</Text>
      <Flex gap="12px" mt="8px" wrap="wrap" align="center">
        <input
          type="file"
          accept=".csv,.txt,.tsv,text/csv"
          aria-label={t("students.import.file")}
          onChange={async (event) => {
            const file = event.target.files?.[0];
            if (file) setText(await file.text());
          }}
        />
        <Text color="soft">{t("students.import.or_paste")}</Text>
      </Flex>
      <Textarea
        aria-label={t("students.import.list")}
        mt="8px"
        rows={4}
        fontSize="sm"
        borderColor="line"
        placeholder={t("students.import.example")}
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <Notice trouble={read.error} />
      {(read.data?.unknown.length ?? 0) > 0 && (
        <Text mt="6px">
          {t("students.import.passed_over", { names: listed(read.data?.unknown ?? []) })}
        </Text>
      )}
      {lines.length > 0 && (
        <Box mt="8px" role="list" aria-label={t("students.import.list")}>
          {lines.map((line) => (
            <Grid
              key={line.key}
              role="listitem"
              templateColumns={{ base: "1fr", md: "80px 200px 200px 1fr" }}
              gap="2px 14px"
              px="10px"
              py="4px"
              borderTop="1px solid"
              borderColor="line"
              bg={line.student ? undefined : "brickSoft"}
            >
              <Text color={line.student ? "soft" : undefined}>
                {t("students.import.line", { line: line.line })}
              </Text>
              <Text fontWeight={650}>{line.name}</Text>
              {line.student ? (
                <>
                  <Text>{`${weekdayName(line.student.lesson_weekday)} ${line.student.lesson_time}`}</Text>
                  <Text color="soft">
                    {t("students.student_page.practises", {
                      minutes: minutes(line.student.minutes_a_day),
                      days: FROM_MONDAY.filter((day) => line.student?.practice_days.includes(day))
                        .map(shortWeekday)
                        .join(", "),
                    })}
                  </Text>
                </>
              ) : (
                <Text gridColumn={{ md: "3 / -1" }}>{line.troubles.join(" ")}</Text>
              )}
            </Grid>
          ))}
        </Box>
      )}
      <Notice trouble={add.error} />
      <Flex gap="8px" mt="12px">
        <Button
          kind="go"
          disabled={good.length === 0 || add.isPending || read.isFetching || calm !== text}
          onClick={() => add.mutate(good, { onSuccess: onDone })}
        >
          {t("students.import.add", { count: good.length })}
        </Button>
        <Button onClick={onDone}>{t("students.student_form.not_now")}</Button>
        {lines.length > good.length && (
          <Text alignSelf="center" color="brick">
            {t("students.import.bad_lines", { count: lines.length - good.length })}
          </Text>
        )}
      </Flex>
    </Paper>
  );
}
