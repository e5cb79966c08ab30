import { Field, Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import { newKey } from "../../api/client";
import { useAddCover, useCovers, useTeachers, useWithdrawCover } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choice } from "../../components/Choice";
import { dayAndMonth } from "../../components/dates";
import { Labelled } from "../../components/Labelled";
import { Notice } from "../../components/Notice";
import { Paper, PartHead } from "../../components/Paper";
import { useMay } from "../../components/Rights";
import { t } from "../../words";

/** Lessons of a day or some days handed to another teacher, or taken. */
export function Covering({ first, onDone }: { first: string; onDone: () => void }) {
  const covers = useCovers();
  const add = useAddCover();
  const withdraw = useWithdrawCover();
  const runs = useMay()("run");
  const teachers = useTeachers() ?? [];
  const me = teachers.find((one) => one.you)?.id;
  const other = teachers.find((one) => !one.you)?.id;
  const [away, setAway] = useState<number>();
  const [cover, setCover] = useState<number>();
  const [from, setFrom] = useState(first);
  const [to, setTo] = useState(first);
  const [key] = useState(newKey);
  const whose = away ?? me;
  // By itself mine go to the first of the others, and theirs to me.
  const whom = cover ?? (whose === me ? other : me);
  const mine = (ids: (number | undefined)[]) => runs || ids.includes(me);
  const names = teachers.map((one) => (
    <option key={one.id} value={one.id}>
      {one.you ? t("lessons.you", { name: one.name }) : one.name}
    </option>
  ));
  return (
    <Paper
      as="section"
      aria-label={t("lessons.hand_on_or_take")}
      p="14px 18px"
      mb="12px"
      borderColor="rail"
    >
      <Flex
        as="form"
        gap="14px"
        wrap="wrap"
        align="flex-end"
        onSubmit={(event: React.FormEvent) => {
          event.preventDefault();
          if (whose && whom)
            add.mutate(
              { key, away_id: whose, cover_id: whom, first_day: from, last_day: to },
              { onSuccess: onDone },
            );
        }}
      >
        <Choice
          label={t("lessons.lessons_of")}
          width="190px"
          value={whose ?? ""}
          onChange={(event) => {
            setAway(Number(event.target.value));
            setCover(undefined);
          }}
        >
          {names}
        </Choice>
        <Choice
          label={t("lessons.go_to")}
          width="190px"
          value={whom ?? ""}
          onChange={(event) => setCover(Number(event.target.value))}
        >
          {names}
        </Choice>
        <Field.Root w="160px" required>
          <Field.Label fontWeight={600}>{t("lessons.first_day")}</Field.Label>
          <Input
            type="date"
            borderColor="line"
            value={from}
            onChange={(event) => {
              setFrom(event.target.value);
              if (event.target.value > to) setTo(event.target.value);
            }}
          />
        </Field.Root>
        <Labelled
          label={t("lessons.last_day")}
          width="160px"
          required
          type="date"
          min={from}
          value={to}
          onChange={(event) => setTo(event.target.value)}
        />
        <Button
          type="submit"
          kind="go"
          disabled={add.isPending || !whose || !whom || whose === whom || !mine([whose, whom])}
        >
          {whose === me ? t("lessons.hand_them_on") : t("lessons.take_them")}
        </Button>
        <Button type="button" onClick={onDone}>
          {t("students.student_form.not_now")}
        </Button>
      </Flex>
      {teachers.length < 2 && <Text mt="8px">{t("lessons.nobody_else_teaches")}</Text>}
      <Notice trouble={add.error ?? withdraw.error} />
      {(covers.data?.length ?? 0) > 0 && (
        <>
          <PartHead>{t("lessons.arranged")}</PartHead>
          {covers.data?.map((one) => (
            <Flex key={one.id} gap="12px" align="center" py="3px">
              <Text flex="1">
                {t("lessons.stands_in", {
                  cover: one.cover,
                  away: one.away,
                  from: dayAndMonth(one.first_day),
                  to: dayAndMonth(one.last_day),
                })}
              </Text>
              {mine([one.away_id, one.cover_id]) && (
                <Button
                  size="sm"
                  disabled={withdraw.isPending}
                  onClick={() => withdraw.mutate(one.id)}
                >
                  {t("lessons.take_it_back")}
                </Button>
              )}
            </Flex>
          ))}
        </>
      )}
    </Paper>
  );
}
