import { Field, Flex, Input } from "@chakra-ui/react";
import { useForm } from "react-hook-form";
import type { StageChange } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choice } from "../../components/Choice";
import { t } from "../../words";
import { ACTIONS, ASPECTS } from "./StageDetails";
import { SCOPES, scopeWord } from "./StageTable";

type Form = {
  name: string;
  scope: string;
  aspect: string;
  right: string;
  left: string;
  introduced_by: string;
  done: string;
};

/** A stage of the studio's own: what it is about, what each hand does, and when
 * it is done. What it waits for is chosen in the table. */
export function AddStage({
  taken,
  onAdd,
}: {
  taken: string[];
  onAdd: (stage: StageChange) => void;
}) {
  const { register, handleSubmit, reset } = useForm<Form>({
    defaultValues: {
      name: "",
      scope: "section",
      aspect: "notes",
      right: "play",
      left: "play",
      introduced_by: "section",
      done: "",
    },
  });
  const submit = ({ name, done, right, left, ...said }: Form) => {
    onAdd({
      ...(said as Pick<StageChange, "scope" | "aspect" | "introduced_by">),
      key: keyOf(name, taken),
      name: name.trim(),
      done: done.trim() || t("routines.add_stage.it_goes_without_a_stop"),
      right: right as StageChange["right"],
      left: left as StageChange["left"],
      good_days: 1,
      repetitions: 5,
      percent: 60,
    });
    reset();
  };
  return (
    <form onSubmit={handleSubmit(submit)}>
      <Flex gap="10px" wrap="wrap" align="flex-end" mt="10px">
        <Field.Root w="180px" required>
          <Field.Label fontWeight={600}>{t("routines.add_stage.new_stage")}</Field.Label>
          <Input maxLength={60} borderColor="line" {...register("name", { required: true })} />
        </Field.Root>
        <Choice label={t("routines.add_stage.on")} width="150px" {...register("scope")}>
          {SCOPES.map((scope) => (
            <option key={scope} value={scope}>
              {scopeWord(scope)}
            </option>
          ))}
        </Choice>
        <Choice label={t("routines.add_stage.about")} width="120px" {...register("aspect")}>
          {ASPECTS.map((one) => (
            <option key={one} value={one}>
              {t(`routines.aspects.${one}`)}
            </option>
          ))}
        </Choice>
        <Choice label={t("routines.add_stage.right_hand")} width="100px" {...register("right")}>
          {ACTIONS.map((one) => (
            <option key={one} value={one}>
              {t(`routines.actions.${one}`)}
            </option>
          ))}
        </Choice>
        <Choice label={t("routines.add_stage.left_hand")} width="100px" {...register("left")}>
          {ACTIONS.map((one) => (
            <option key={one} value={one}>
              {t(`routines.actions.${one}`)}
            </option>
          ))}
        </Choice>
        <Choice label={t("routines.add_stage.opens")} width="150px" {...register("introduced_by")}>
          <option value="section">{t("routines.add_stage.with_its_section")}</option>
          <option value="stage">{t("routines.add_stage.when_it_was_shown")}</option>
        </Choice>
        <Field.Root w="190px">
          <Field.Label fontWeight={600}>{t("routines.add_stage.done_when")}</Field.Label>
          <Input
            maxLength={120}
            placeholder={t("routines.add_stage.it_goes_without_a_stop")}
            borderColor="line"
            {...register("done")}
          />
        </Field.Root>
        <Button type="submit">{t("routines.add_stage.add_the_stage")}</Button>
      </Flex>
    </form>
  );
}

/** A key out of the name that no other stage has. */
function keyOf(name: string, taken: string[]) {
  const plain =
    name
      .toLowerCase()
      .replace(/[^a-z]+/g, "_")
      .replace(/^_+|_+$/g, "")
      .slice(0, 30) || "stage";
  let key = plain;
  for (let more = "x"; taken.includes(key); more += "x") key = `${plain}_${more}`;
  return key;
}
