import { Box, chakra, Field, Flex, Input, Text } from "@chakra-ui/react";
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
import { listed } from "../../components/dates";
import { Notice } from "../../components/Notice";
import { Ordered } from "../../components/Ordered";
import { Paper } from "../../components/Paper";
import { OrderOptions } from "../../components/SectionOrder";
import { useCalm } from "../../components/useCalm";
import { t } from "../../words";
import { ComesTo } from "./ComesTo";

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
              label={t("piece.assign_piece.student")}
              width="170px"
              required
              {...register("id", { required: true, onChange: (event) => chooseStudent(event.target.value) })}
            >
              <option value="">{t("piece.assign_piece.choose")}</option>
              {students.data?.map((one) => (
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
          <FirstHand width="130px" {...register("hand_order")} />
          <Choice label={t("piece.assign_piece.sections_join")} width="170px" {...register("join")}>
            <option value="pairs">{t("piece.assign_piece.in_pairs")}</option>
            <option value="from_start">{t("piece.assign_piece.from_the_start_on")}</option>
            <option value="from_end">{t("piece.assign_piece.from_the_end_back")}</option>
          </Choice>
          <Choice label={t("piece.assign_piece.pedal")} width="170px" {...register("pedal")}>
            <option value="last">{t("piece.assign_piece.last_of_all")}</option>
            <option value="before_dynamics">{t("piece.assign_piece.before_dynamics")}</option>
            <option value="none">{t("piece.assign_piece.none")}</option>
          </Choice>
          {(["articulation_by", "dynamics_by"] as const).map((field) => (
            <Choice key={field} label={t(`piece.assign_piece.${field}`)} width="170px" {...register(field)}>
              <option value="teacher">{t("piece.assign_piece.you")}</option>
              <option value="student">{t("piece.assign_piece.the_student")}</option>
            </Choice>
          ))}
          <Choice label={t("piece.assign_piece.by_heart")} width="100px" {...register("memory")}>
            <option value="no">{t("piece.assign_piece.no")}</option>
            <option value="yes">{t("piece.assign_piece.yes")}</option>
          </Choice>
          <Choice
            label={t("piece.assign_piece.target_tempo")}
            width="170px"
            {...register("target_by", { onChange: (event) => startTarget(event.target.value) })}
          >
            <option value="number">{t("piece.assign_piece.beats_per_minute")}</option>
            <option value="share">{t("piece.assign_piece.percent_of_the_mark")}</option>
            <option value="mark">{t("piece.assign_piece.the_printed_mark")}</option>
          </Choice>
          {form.target_by !== "mark" && (
            <Field.Root w={form.target_by === "share" ? "110px" : "170px"} required>
              <Field.Label fontWeight={600}>
                {form.target_by === "share"
                  ? t("piece.assign_piece.percent")
                  : t("piece.assign_piece.target_tempo_beats_per_minute")}
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
          <Choice label={t("piece.assign_piece.repeats_after_a_jump")} width="160px" {...register("repeats")}>
            <option value="as_printed">{t("piece.assign_piece.as_the_page_says")}</option>
            <option value="not_taken">{t("piece.assign_piece.not_taken")}</option>
            <option value="taken">{t("piece.assign_piece.taken")}</option>
          </Choice>
          <Choice label={t("piece.assign_piece.fermatas")} width="150px" {...register("fermata")}>
            <option value="as_said">{t("piece.assign_piece.as_on_the_map")}</option>
            <option value="twice">{t("piece.assign_piece.twice_as_long")}</option>
            <option value="free">{t("piece.assign_piece.free")}</option>
          </Choice>
          <Choice label={t("piece.assign_piece.sections_open")} width="170px" {...register("introduce_first")}>
            <option value="">{t("piece.assign_piece.as_for_the_student")}</option>
            <option value="true">{t("piece.assign_piece.once_they_were_introduced")}</option>
            <option value="false">{t("piece.assign_piece.by_themselves")}</option>
          </Choice>
          <Choice label={t("piece.assign_piece.sections_begin")} width="200px" {...register("section_order")}>
            <OrderOptions />
          </Choice>
          <Choice label={t("piece.assign_piece.among_the_pieces")} width="160px" {...register("priority")}>
            <option value="0">{t("piece.assign_piece.in_its_turn")}</option>
            <option value="1">{t("piece.assign_piece.before_the_others")}</option>
            <option value="-1">{t("piece.assign_piece.when_there_is_room")}</option>
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
        {trial.data && trial.data.beforehand.length > 0 && (
          <chakra.label display="flex" gap="8px" alignItems="center" mt="10px">
            <input type="checkbox" {...register("beforehand")} />
            {t("piece.assign_piece.beforehand", { what: listed(trial.data.beforehand) })}
          </chakra.label>
        )}
        <Text mt="8px">
          {routine?.for_whom}{" "}
          <Text as="span" color="soft">
            {routine?.why}
          </Text>
        </Text>
        {trial.data && !trial.error && <ComesTo trial={trial.data} />}
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
