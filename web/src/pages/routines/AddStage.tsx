import { Field, Flex, Input } from "@chakra-ui/react";
import { useForm } from "react-hook-form";
import type { StageChange } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choice } from "../../components/Choice";
import { SCOPES } from "./StageTable";

const ASPECTS = [
  "overview",
  "position",
  "rhythm",
  "notes",
  "fingering",
  "lyrics",
  "articulation",
  "dynamics",
  "pedal",
  "ornaments",
  "tempo",
  "memory",
] as const;
const ACTIONS = ["play", "block", "tap", "clap", "say", "sing", "silent"] as const;

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
export function AddStage({ taken, onAdd }: { taken: string[]; onAdd: (stage: StageChange) => void }) {
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
      done: done.trim() || "it goes without a stop",
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
          <Field.Label fontWeight={600}>New stage</Field.Label>
          <Input maxLength={60} borderColor="line" {...register("name", { required: true })} />
        </Field.Root>
        <Choice label="On" width="150px" {...register("scope")}>
          {Object.entries(SCOPES).map(([key, words]) => (
            <option key={key} value={key}>
              {words}
            </option>
          ))}
        </Choice>
        <Choice label="About" width="120px" {...register("aspect")}>
          {ASPECTS.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </Choice>
        <Choice label="Right hand" width="100px" {...register("right")}>
          {ACTIONS.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </Choice>
        <Choice label="Left hand" width="100px" {...register("left")}>
          {ACTIONS.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </Choice>
        <Choice label="Opens" width="150px" {...register("introduced_by")}>
          <option value="section">with its section</option>
          <option value="stage">when it was shown</option>
        </Choice>
        <Field.Root w="190px">
          <Field.Label fontWeight={600}>Done when</Field.Label>
          <Input maxLength={120} placeholder="it goes without a stop" borderColor="line" {...register("done")} />
        </Field.Root>
        <Button type="submit">Add the stage</Button>
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
