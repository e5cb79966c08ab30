import { Box, Field, Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { newKey, type Schemas } from "../../api/client";
import { type NewExtraWork, useAddExtraWork, useEndExtraWork } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choice } from "../../components/Choice";
import { listed, minutes } from "../../components/dates";
import { Notice } from "../../components/Notice";
import { Paper, PartHead } from "../../components/Paper";
import { May } from "../../components/Rights";
import { t } from "../../words";

const KINDS: NewExtraWork["kind"][] = [
  "exercise",
  "sight_reading",
  "transposing",
  "harmonising",
  "theory",
  "listening",
  "ensemble",
  "other",
];
const kindWord = (kind: string) => t(`students.extra_work.kinds.${kind}`);

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
                one.kind !== "exercise" && t("students.extra_work.times_a_week", { count: one.times }),
                one.one_of.length > 0 && t("students.extra_work.one_of", { choices: one.one_of.join(", ") }),
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
        <Adding student={student.id} onDone={() => setAdding(false)} />
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

type Form = { kind: NewExtraWork["kind"]; title: string; minutes: string; times: string; one_of: string };

function Adding({ student, onDone }: { student: number; onDone: () => void }) {
  const add = useAddExtraWork(student);
  const [key] = useState(newKey);
  const { register, handleSubmit, watch } = useForm<Form>({
    defaultValues: { kind: "sight_reading", title: "", minutes: "5", times: "2", one_of: "" },
  });
  const submit = (form: Form) =>
    add.mutate(
      {
        key,
        kind: form.kind,
        title: form.title.trim(),
        minutes: Number(form.minutes),
        times: form.kind === "exercise" ? 7 : Number(form.times),
        one_of: form.one_of
          .split(",")
          .map((one) => one.trim())
          .filter(Boolean),
      },
      { onSuccess: onDone },
    );
  return (
    <Box asChild mt="8px">
      <form onSubmit={handleSubmit(submit)}>
        <Flex gap="10px" wrap="wrap" align="flex-end">
          <Choice label={t("students.extra_work.kind")} width="180px" {...register("kind")}>
            {KINDS.map((kind) => (
              <option key={kind} value={kind}>
                {kindWord(kind)}
              </option>
            ))}
          </Choice>
          <Field.Root w="220px" required>
            <Field.Label fontWeight={600}>{t("students.extra_work.what")}</Field.Label>
            <Input maxLength={120} borderColor="line" autoFocus {...register("title", { required: true })} />
          </Field.Root>
          <Field.Root w="80px" required>
            <Field.Label fontWeight={600}>{t("students.extra_work.minutes")}</Field.Label>
            <Input type="number" min={0.5} max={120} step={0.5} borderColor="line" {...register("minutes")} />
          </Field.Root>
          {watch("kind") !== "exercise" && (
            <>
              <Field.Root w="110px" required>
                <Field.Label fontWeight={600}>{t("students.extra_work.times_a_week_2")}</Field.Label>
                <Input type="number" min={1} max={7} borderColor="line" {...register("times")} />
              </Field.Root>
              <Field.Root w="220px">
                <Field.Label fontWeight={600}>{t("students.extra_work.choose_one_of")}</Field.Label>
                <Input
                  placeholder={t("students.extra_work.with_commas_between")}
                  borderColor="line"
                  {...register("one_of")}
                />
              </Field.Root>
            </>
          )}
          <Button type="submit" kind="go" disabled={add.isPending}>
            {t("students.extra_work.add_it")}
          </Button>
          <Button onClick={onDone}>{t("students.extra_work.not_now")}</Button>
        </Flex>
        <Notice trouble={add.error} />
      </form>
    </Box>
  );
}
