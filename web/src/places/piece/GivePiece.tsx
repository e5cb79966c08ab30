import { Field, Flex, Input, Text } from "@chakra-ui/react";
import { useForm } from "react-hook-form";
import { useNavigate } from "react-router";
import type { Schemas } from "../../api/client";
import { useGivePiece, useStudents } from "../../api/queries";
import { Button } from "../../parts/Button";
import { Choice, FirstHand } from "../../parts/Choice";
import { Notice } from "../../parts/Notice";
import { Paper } from "../../parts/Paper";

type Form = { id: number; hand_order: Schemas["HandOrder"]; aim: number };

/** Gives a piece to a student: routine, first hand, tempo aim. */
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
  const give = useGivePiece();
  const go = useNavigate();
  const { register, handleSubmit, setValue } = useForm<Form>({
    defaultValues: {
      aim: piece.figures?.aim ?? piece.aim,
      id: student?.id,
      hand_order: student?.hand_order ?? "right",
    },
  });
  const submit = (form: Form) =>
    give.mutate(
      { ...form, id: student?.id ?? Number(form.id), aim: Number(form.aim), piece_id: piece.id },
      {
        onSuccess: (given) => {
          onDone();
          go(`/students/${given.id}`);
        },
      },
    );
  const chooseStudent = (id: string) => {
    const found = students.data?.find((one) => one.id === Number(id));
    if (found) setValue("hand_order", found.hand_order);
  };

  return (
    <Paper p="14px 18px" mb="12px" borderColor="rail">
      <form onSubmit={handleSubmit(submit)}>
        <Flex gap="16px" align="flex-end" wrap="wrap">
          {!student && (
            <Choice
              label="Student"
              width="200px"
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
          <Field.Root w="180px">
            <Field.Label fontWeight={600}>Routine</Field.Label>
            <Text minH="40px" pt="8px">
              Hand by hand
            </Text>
          </Field.Root>
          <FirstHand {...register("hand_order")} />
          <Field.Root w="150px" required>
            <Field.Label fontWeight={600}>Aim, counts a minute</Field.Label>
            <Input type="number" min={20} max={400} borderColor="line" {...register("aim", { required: true })} />
          </Field.Root>
          <Button type="submit" kind="go" disabled={give.isPending}>
            Give {piece.title}
          </Button>
          <Button onClick={onDone}>Not now</Button>
        </Flex>
        <Text fontSize="sm" color="soft" mt="6px">
          Each hand alone, then together slowly, then the joins, then faster, then the whole piece up to tempo. The week
          is planned at once.
        </Text>
        <Notice trouble={give.error} />
      </form>
    </Paper>
  );
}
