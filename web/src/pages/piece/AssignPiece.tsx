import { Box, chakra, Field, Flex, Input, Text } from "@chakra-ui/react";
import { X } from "lucide-react";
import { useState } from "react";
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
import { Choice } from "../../components/Choice";
import { listed } from "../../components/dates";
import { Notice } from "../../components/Notice";
import { Ordered } from "../../components/Ordered";
import { Paper } from "../../components/Paper";
import { useCalm } from "../../components/useCalm";
import { t } from "../../words";
import { type AssignForm, AssignMore } from "./AssignMore";
import { ComesTo } from "./ComesTo";

/** Gives a piece to a student, or to several: by which routine, until when, and what that comes to;
 * the rest of what can be chosen opens below. */
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
  const fields = useForm<AssignForm>({
    defaultValues: {
      target_tempo: piece.figures?.target_tempo ?? piece.target_tempo,
      id: student?.id ?? "",
      hand_order: student?.hand_order ?? "right",
      routine: "hand_by_hand",
      join: "pairs",
      pedal: "last",
      articulation_by: "teacher",
      dynamics_by: "teacher",
      memory: "no",
      due_on: "",
      target_by: "number",
      repeats: "as_printed",
      fermata: "as_said",
      introduce_first: "",
      priority: "0",
      order: [],
      section_order: "piece",
      beforehand: true,
    },
  });
  const { register, handleSubmit, setValue, watch, formState } = fields;
  // Reading it once makes it known later.
  void formState.dirtyFields;
  const [also, setAlso] = useState<number[]>([]);
  const [given, setGiven] = useState<number[]>([]);
  const form = watch();
  const routine = routines.data?.find((one) => one.key === form.routine);
  const aspects =
    routine && routine.sitting.length > 2 && routine.key !== "say_clap_play" ? routine.sitting : [];
  // In the teacher's order where one was made of these very aspects.
  const order = [...form.order].sort().join() === [...aspects].sort().join() ? form.order : aspects;
  const gift = giftOf(form, piece.id, order);
  const id = student?.id ?? (Number(form.id) || undefined);
  const trial = useAssignmentPreview(id, useCalm(gift));
  const here = students.data?.filter((one) => !one.left_on) ?? [];
  const nameOf = (one: number) => here.find((other) => other.id === one)?.name ?? "";
  // Whom it can still be given to.
  const free = (besides?: number) =>
    here.filter(
      (one) =>
        one.id === besides || (one.id !== id && !also.includes(one.id) && !given.includes(one.id)),
    );
  // One after another: where one is refused, those before have it, and are not asked again.
  const submit = async () => {
    const done = [...given];
    for (const one of [id, ...also].filter((other) => other !== undefined)) {
      const own = here.find((other) => other.id === one)?.hand_order ?? gift.hand_order;
      const hand_order = one === id || formState.dirtyFields.hand_order ? gift.hand_order : own;
      try {
        await assign.mutateAsync({ ...gift, hand_order, id: one });
      } catch {
        setGiven(done);
        setAlso(also.filter((other) => !done.includes(other)));
        if (one !== id) setValue("id", one);
        return;
      }
      done.push(one);
    }
    if (done.length === 1) {
      onDone();
      return go(`/students/${done[0]}`);
    }
    setGiven(done);
    setAlso([]);
    setValue("id", "");
  };
  const startTarget = (by: string) => {
    if (by === "share") setValue("target_tempo", 75);
    if (by === "number")
      setValue("target_tempo", piece.figures?.target_tempo ?? piece.target_tempo ?? 60);
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
              label={t("piece.assign_piece.student")}
              width="170px"
              required
              {...register("id", {
                required: true,
                onChange: (event) => chooseStudent(event.target.value),
              })}
            >
              <option value="">{t("piece.assign_piece.choose")}</option>
              {free(Number(form.id)).map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </Choice>
          )}
          {!student && id && (
            <Choice
              label={t("piece.assign_piece.and_also")}
              width="130px"
              value=""
              onChange={(event) => setAlso([...also, Number(event.target.value)])}
            >
              <option value="">{t("piece.assign_piece.nobody_else")}</option>
              {free().map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </Choice>
          )}
          <Choice label={t("piece.assign_piece.routine")} width="240px" {...register("routine")}>
            {(routines.data ?? []).map((one) => (
              <option key={one.key} value={one.key}>
                {one.name}
              </option>
            ))}
          </Choice>
          <Field.Root w="160px">
            <Field.Label fontWeight={600}>{t("piece.assign_piece.ready_by")}</Field.Label>
            <Input type="date" borderColor="line" {...register("due_on")} />
          </Field.Root>
          <Button type="submit" kind="go" disabled={assign.isPending}>
            {t("piece.assign_piece.assign", { title: piece.title })}
          </Button>
          <Button onClick={onDone}>{t("piece.assign_piece.not_now")}</Button>
        </Flex>
        {also.length > 0 && (
          <Flex as="ul" listStyleType="none" mt="8px" gap="6px" wrap="wrap">
            {also.map((one) => (
              <li key={one}>
                <Button
                  size="sm"
                  aria-label={t("piece.assign_piece.not_for", { name: nameOf(one) })}
                  onClick={() => setAlso(also.filter((other) => other !== one))}
                >
                  {nameOf(one)} <X size={14} />
                </Button>
              </li>
            ))}
          </Flex>
        )}
        {trial.data && trial.data.beforehand.length > 0 && (
          <chakra.label display="flex" gap="8px" alignItems="center" mt="10px">
            <input type="checkbox" {...register("beforehand")} />
            {t("piece.assign_piece.beforehand", { what: listed(trial.data.beforehand) })}
          </chakra.label>
        )}
        {trial.data && !trial.error && <ComesTo trial={trial.data} />}
        <AssignMore form={fields} routine={routine} startTarget={startTarget}>
          {aspects.length > 0 && (
            <Box mt="10px">
              <Ordered
                label={t("piece.assign_piece.in_one_sitting_in_this_order")}
                keys={order}
                name={(key) => routine?.stages.find((one) => one.key === key)?.name ?? key}
                onChange={(keys) => setValue("order", keys)}
              />
            </Box>
          )}
        </AssignMore>
        {given.length > 0 && (
          <Text role="status" mt="8px">
            {t("piece.assign_piece.given_to", { names: listed(given.map(nameOf)) })}
          </Text>
        )}
        <Notice trouble={assign.error ?? (trial.error as typeof assign.error)} />
      </form>
    </Paper>
  );
}

/** What is sent; what is left as it was is not said. */
function giftOf(
  { id: _, memory, introduce_first, priority, target_tempo, due_on, ...said }: AssignForm,
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
