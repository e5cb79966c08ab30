import { Field, Flex, Input, Text } from "@chakra-ui/react";
import { useForm } from "react-hook-form";
import { useNavigate } from "react-router";
import type { Schemas } from "../../api/client";
import { type Gift, useGivePiece, useRoutines, useStudents, useTrial } from "../../api/queries";
import { Button } from "../../parts/Button";
import { Choice, FirstHand } from "../../parts/Choice";
import { dayAndMonth } from "../../parts/dates";
import { Notice } from "../../parts/Notice";
import { Paper } from "../../parts/Paper";
import { useCalm } from "../../parts/useCalm";

type Form = Required<Omit<Gift, "piece_id" | "order" | "memory">> & { id: number | ""; memory: string; first: string };

/** Gives a piece to a student: routine, what the teacher chooses in it, and
 * the aim; and says at once what that comes to. */
export function GivePiece({
  piece,
  student,
  onDone,
}: {
  piece: { id: number; title: string; figures?: { aim: number }; aim?: number };
  student?: { id: number; hand_order: Schemas["HandOrder"] };
  onDone: () => void;
}) {
  const students = useStudents();
  const routines = useRoutines();
  const give = useGivePiece();
  const go = useNavigate();
  const { register, handleSubmit, setValue, watch } = useForm<Form>({
    defaultValues: {
      aim: piece.figures?.aim ?? piece.aim,
      id: student?.id ?? "",
      hand_order: student?.hand_order ?? "right",
      routine: "hand_by_hand",
      join: "pairs",
      pedal: "last",
      touch_by: "teacher",
      memory: "no",
      due_on: "",
      first: "",
    },
  });
  const form = watch();
  const routine = routines.data?.find((one) => one.key === form.routine);
  const aspects = routine && routine.sitting.length > 2 && routine.key !== "say_clap_play" ? routine.sitting : [];
  const gift = giftOf(form, piece.id, aspects);
  const id = student?.id ?? (Number(form.id) || undefined);
  const trial = useTrial(id, useCalm(gift));
  const submit = () =>
    id &&
    give.mutate(
      { ...gift, id },
      {
        onSuccess: (given) => {
          onDone();
          go(`/students/${given.id}`);
        },
      },
    );
  const chooseStudent = (chosen: string) => {
    const found = students.data?.find((one) => one.id === Number(chosen));
    if (found) setValue("hand_order", found.hand_order);
  };

  return (
    <Paper p="14px 18px" mb="12px" borderColor="rail">
      <form onSubmit={handleSubmit(submit)}>
        <Flex gap="12px 16px" align="flex-end" wrap="wrap">
          {!student && (
            <Choice
              label="Student"
              width="170px"
              required
              {...register("id", { required: true, onChange: (event) => chooseStudent(event.target.value) })}
            >
              <option value="">Choose …</option>
              {students.data?.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </Choice>
          )}
          <Choice label="Routine" width="240px" {...register("routine")}>
            {(routines.data ?? []).map((one) => (
              <option key={one.key} value={one.key}>
                {one.name}
              </option>
            ))}
          </Choice>
          <FirstHand width="130px" {...register("hand_order")} />
          {aspects.length > 0 && (
            <Choice label="First aspect" width="140px" {...register("first")}>
              <option value="">As it stands</option>
              {aspects.map((key) => (
                <option key={key} value={key}>
                  {routine?.stages.find((one) => one.key === key)?.name}
                </option>
              ))}
            </Choice>
          )}
          <Choice label="Sections join" width="170px" {...register("join")}>
            <option value="pairs">in pairs</option>
            <option value="from_start">from the start on</option>
            <option value="from_end">from the end back</option>
          </Choice>
          <Choice label="Pedal" width="170px" {...register("pedal")}>
            <option value="last">last of all</option>
            <option value="before_dynamics">before loud and soft</option>
            <option value="none">none</option>
          </Choice>
          <Choice label="Touch is decided by" width="150px" {...register("touch_by")}>
            <option value="teacher">you</option>
            <option value="student">the student</option>
          </Choice>
          <Choice label="By heart" width="100px" {...register("memory")}>
            <option value="no">no</option>
            <option value="yes">yes</option>
          </Choice>
          <Field.Root w="150px" required>
            <Field.Label fontWeight={600}>Aim, counts a minute</Field.Label>
            <Input type="number" min={20} max={400} borderColor="line" {...register("aim", { required: true })} />
          </Field.Root>
          <Field.Root w="160px">
            <Field.Label fontWeight={600}>Ready by</Field.Label>
            <Input type="date" borderColor="line" {...register("due_on")} />
          </Field.Root>
          <Button type="submit" kind="go" disabled={give.isPending}>
            Give {piece.title}
          </Button>
          <Button onClick={onDone}>Not now</Button>
        </Flex>
        <Text mt="8px">
          {routine?.for_whom}{" "}
          <Text as="span" color="soft">
            {routine?.why}
          </Text>
        </Text>
        {trial.data && !trial.error && (
          <Text role="status" fontWeight={650}>
            {trial.data.steps} steps, {Math.round(trial.data.minutes)} minutes in all;{" "}
            {trial.data.finish
              ? `by itself done in ${trial.data.practice_days} practice days, on ${dayAndMonth(trial.data.finish)}`
              : "a step is longer than any day, so it would never be done"}
          </Text>
        )}
        <Notice trouble={give.error ?? (trial.error as typeof give.error)} />
      </form>
    </Paper>
  );
}

/** What is sent: the first aspect goes before the others. */
function giftOf(form: Form, piece_id: number, aspects: string[]): Gift {
  const { routine, hand_order, join, pedal, touch_by, memory, first, aim, due_on } = form;
  const order = first && aspects.includes(first) ? [first, ...aspects.filter((one) => one !== first)] : undefined;
  return {
    piece_id,
    routine,
    hand_order,
    join,
    pedal,
    touch_by,
    memory: memory === "yes",
    aim: Number(aim),
    order,
    due_on: due_on || undefined,
  };
}
