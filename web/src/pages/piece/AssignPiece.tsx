import { Box, Field, Flex, Input, Text } from "@chakra-ui/react";
import { useForm } from "react-hook-form";
import { useNavigate } from "react-router";
import type { Schemas } from "../../api/client";
import {
  type AssignmentRequest,
  useAssignmentPreview,
  useAssignPiece,
  useRoutines,
  useStudents,
} from "../../api/queries";
import { Button } from "../../components/Button";
import { Choice, FirstHand } from "../../components/Choice";
import { dayAndMonth } from "../../components/dates";
import { Notice } from "../../components/Notice";
import { Ordered } from "../../components/Ordered";
import { Paper } from "../../components/Paper";
import { useCalm } from "../../components/useCalm";

type Form = Required<Omit<AssignmentRequest, "piece_id" | "memory" | "introduce_first" | "priority">> & {
  id: number | "";
  memory: string;
  introduce_first: string;
  priority: string;
};

/** Gives a piece to a student: routine, what the teacher chooses in it, and
 * the target tempo; and says at once what that comes to. */
export function AssignPiece({
  piece,
  student,
  onDone,
}: {
  piece: { id: number; title: string; figures?: { target_tempo: number }; target_tempo?: number };
  student?: { id: number; hand_order: Schemas["HandOrder"] };
  onDone: () => void;
}) {
  const students = useStudents();
  const routines = useRoutines();
  const assign = useAssignPiece();
  const go = useNavigate();
  const { register, handleSubmit, setValue, watch } = useForm<Form>({
    defaultValues: {
      target_tempo: piece.figures?.target_tempo ?? piece.target_tempo,
      id: student?.id ?? "",
      hand_order: student?.hand_order ?? "right",
      routine: "hand_by_hand",
      join: "pairs",
      pedal: "last",
      articulation_by: "teacher",
      memory: "no",
      due_on: "",
      target_by: "number",
      repeats: "as_printed",
      fermata: "as_said",
      introduce_first: "",
      priority: "0",
      order: [],
    },
  });
  const form = watch();
  const routine = routines.data?.find((one) => one.key === form.routine);
  const aspects = routine && routine.sitting.length > 2 && routine.key !== "say_clap_play" ? routine.sitting : [];
  // In the teacher's order where one was made of these very aspects.
  const order = [...form.order].sort().join() === [...aspects].sort().join() ? form.order : aspects;
  const gift = giftOf(form, piece.id, order);
  const id = student?.id ?? (Number(form.id) || undefined);
  const trial = useAssignmentPreview(id, useCalm(gift));
  const submit = () =>
    id &&
    assign.mutate(
      { ...gift, id },
      {
        onSuccess: (student) => {
          onDone();
          go(`/students/${student.id}`);
        },
      },
    );
  const startTarget = (by: string) => {
    if (by === "share") setValue("target_tempo", 75);
    if (by === "number") setValue("target_tempo", piece.figures?.target_tempo ?? piece.target_tempo ?? 60);
  };
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
          <Choice label="Sections join" width="170px" {...register("join")}>
            <option value="pairs">in pairs</option>
            <option value="from_start">from the start on</option>
            <option value="from_end">from the end back</option>
          </Choice>
          <Choice label="Pedal" width="170px" {...register("pedal")}>
            <option value="last">last of all</option>
            <option value="before_dynamics">before dynamics</option>
            <option value="none">none</option>
          </Choice>
          <Choice label="Articulation is decided by" width="150px" {...register("articulation_by")}>
            <option value="teacher">you</option>
            <option value="student">the student</option>
          </Choice>
          <Choice label="By heart" width="100px" {...register("memory")}>
            <option value="no">no</option>
            <option value="yes">yes</option>
          </Choice>
          <Choice
            label="Target tempo"
            width="170px"
            {...register("target_by", { onChange: (event) => startTarget(event.target.value) })}
          >
            <option value="number">beats per minute</option>
            <option value="share">percent of the mark</option>
            <option value="mark">the printed mark</option>
          </Choice>
          {form.target_by !== "mark" && (
            <Field.Root w={form.target_by === "share" ? "110px" : "170px"} required>
              <Field.Label fontWeight={600}>
                {form.target_by === "share" ? "Percent" : "Target tempo, beats per minute"}
              </Field.Label>
              <Input
                type="number"
                min={20}
                max={400}
                borderColor="line"
                {...register("target_tempo", { required: true })}
              />
            </Field.Root>
          )}
          <Choice label="Repeats after a jump" width="160px" {...register("repeats")}>
            <option value="as_printed">as the page says</option>
            <option value="not_taken">not taken</option>
            <option value="taken">taken</option>
          </Choice>
          <Choice label="Fermatas" width="150px" {...register("fermata")}>
            <option value="as_said">as on the map</option>
            <option value="twice">twice as long</option>
            <option value="free">free</option>
          </Choice>
          <Choice label="Sections open" width="170px" {...register("introduce_first")}>
            <option value="">as for the student</option>
            <option value="true">once they were introduced</option>
            <option value="false">by themselves</option>
          </Choice>
          <Choice label="Among the pieces" width="160px" {...register("priority")}>
            <option value="0">in its turn</option>
            <option value="1">before the others</option>
            <option value="-1">when there is room</option>
          </Choice>
          <Field.Root w="160px">
            <Field.Label fontWeight={600}>Ready by</Field.Label>
            <Input type="date" borderColor="line" {...register("due_on")} />
          </Field.Root>
          <Button type="submit" kind="go" disabled={assign.isPending}>
            Assign {piece.title}
          </Button>
          <Button onClick={onDone}>Not now</Button>
        </Flex>
        {aspects.length > 0 && (
          <Box mt="10px">
            <Ordered
              label="In one sitting, in this order"
              keys={order}
              name={(key) => routine?.stages.find((one) => one.key === key)?.name ?? key}
              onChange={(keys) => setValue("order", keys)}
            />
          </Box>
        )}
        <Text mt="8px">
          {routine?.for_whom}{" "}
          <Text as="span" color="soft">
            {routine?.why}
          </Text>
        </Text>
        {trial.data && !trial.error && (
          <Text role="status" fontWeight={650}>
            {trial.data.steps} steps up to {trial.data.target_tempo} beats per minute, {Math.round(trial.data.minutes)}{" "}
            minutes in all;{" "}
            {trial.data.finish
              ? `practised alone, done in ${trial.data.practice_days} practice days, on ${dayAndMonth(trial.data.finish)}`
              : "one step takes longer than any practice day, so it cannot be finished"}
          </Text>
        )}
        <Notice trouble={assign.error ?? (trial.error as typeof assign.error)} />
      </form>
    </Paper>
  );
}

/** What is sent; what is left as it was is not said. */
function giftOf(
  { id: _, memory, introduce_first, priority, target_tempo, due_on, ...said }: Form,
  piece_id: number,
  order: string[],
): AssignmentRequest {
  return {
    ...said,
    piece_id,
    memory: memory === "yes",
    introduce_first: introduce_first === "" ? undefined : introduce_first === "true",
    priority: Number(priority),
    target_tempo: Number(target_tempo) || 0,
    order: order.length ? order : undefined,
    due_on: due_on || undefined,
  };
}
