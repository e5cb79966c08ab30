import { Box, Field, Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import { useForm } from "react-hook-form";
import type { Schemas } from "../../api/client";
import { type NewExtraWork, useAddExtraWork, useEndExtraWork } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choice } from "../../components/Choice";
import { minutes } from "../../components/dates";
import { Notice } from "../../components/Notice";
import { Paper, PartHead } from "../../components/Paper";

const KINDS: [NewExtraWork["kind"], string][] = [
  ["exercise", "exercise, every day"],
  ["sight_reading", "sight-reading"],
  ["transposing", "transposing"],
  ["harmonising", "harmonising"],
  ["theory", "theory"],
  ["listening", "listening"],
  ["ensemble", "ensemble part"],
  ["other", "something else"],
];
const WORDS = Object.fromEntries(KINDS) as Record<string, string>;

/** What stands beside the pieces: the teacher's own exercises and other work. */
export function ExtraWork({ student }: { student: Schemas["Student"] }) {
  const [adding, setAdding] = useState(false);
  const end = useEndExtraWork(student.id);
  return (
    <Paper p="12px 18px" flex="1 1 320px">
      <PartHead>Extra work</PartHead>
      {student.extra_work.length === 0 && !adding && (
        <Text color="soft">No exercise or other work. What is added here is planned with the pieces.</Text>
      )}
      {student.extra_work.map((one) => (
        <Flex key={one.id} gap="8px" align="baseline" py="2px">
          <Text>
            <b>{one.title}</b>{" "}
            <Text as="span" color="soft" fontSize="sm">
              {WORDS[one.kind]}, {minutes(one.minutes)}
              {one.kind !== "exercise" && `, ${one.times} times a week`}
              {one.one_of.length > 0 && `; one of ${one.one_of.join(", ")}`}
            </Text>
          </Text>
          <Button size="xs" ml="auto" aria-label={`End ${one.title}`} onClick={() => end.mutate(one.id)}>
            End
          </Button>
        </Flex>
      ))}
      <Notice trouble={end.error} />
      {adding ? (
        <Adding student={student.id} onDone={() => setAdding(false)} />
      ) : (
        <Button size="sm" mt="6px" onClick={() => setAdding(true)}>
          Add an exercise or other work
        </Button>
      )}
    </Paper>
  );
}

type Form = { kind: NewExtraWork["kind"]; title: string; minutes: string; times: string; one_of: string };

function Adding({ student, onDone }: { student: number; onDone: () => void }) {
  const add = useAddExtraWork(student);
  const { register, handleSubmit, watch } = useForm<Form>({
    defaultValues: { kind: "sight_reading", title: "", minutes: "5", times: "2", one_of: "" },
  });
  const submit = (form: Form) =>
    add.mutate(
      {
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
          <Choice label="Kind" width="180px" {...register("kind")}>
            {KINDS.map(([kind, words]) => (
              <option key={kind} value={kind}>
                {words}
              </option>
            ))}
          </Choice>
          <Field.Root w="220px" required>
            <Field.Label fontWeight={600}>What</Field.Label>
            <Input maxLength={120} borderColor="line" autoFocus {...register("title", { required: true })} />
          </Field.Root>
          <Field.Root w="80px" required>
            <Field.Label fontWeight={600}>Minutes</Field.Label>
            <Input type="number" min={0.5} max={120} step={0.5} borderColor="line" {...register("minutes")} />
          </Field.Root>
          {watch("kind") !== "exercise" && (
            <>
              <Field.Root w="110px" required>
                <Field.Label fontWeight={600}>Times a week</Field.Label>
                <Input type="number" min={1} max={7} borderColor="line" {...register("times")} />
              </Field.Root>
              <Field.Root w="220px">
                <Field.Label fontWeight={600}>Choose one of</Field.Label>
                <Input placeholder="with commas between" borderColor="line" {...register("one_of")} />
              </Field.Root>
            </>
          )}
          <Button type="submit" kind="go" disabled={add.isPending}>
            Add it
          </Button>
          <Button onClick={onDone}>Not now</Button>
        </Flex>
        <Notice trouble={add.error} />
      </form>
    </Box>
  );
}
