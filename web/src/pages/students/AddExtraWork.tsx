import { Box, Field, Flex, Input } from "@chakra-ui/react";
import type { ReactNode } from "react";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { newKey, type Schemas } from "../../api/client";
import { type NewExtraWork, useAddExtraWork, useExtraWorkGiven } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choice } from "../../components/Choice";
import { Notice } from "../../components/Notice";
import { t } from "../../words";

type Work = Schemas["ExtraWork"];
type Hands = Work["hands"];

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
const HANDS: Hands[] = [
  [],
  ["right", "left", "both"],
  ["right", "left"],
  ["left", "right", "both"],
  ["both"],
];
// Semitones of a week: to a major third, a fourth, a fifth.
const HIGHER = [1, 2, 3, 4, 5, 7];

export const kindWord = (kind: string) => t(`students.extra_work.kinds.${kind}`);
export const handsWords = (hands: Hands) =>
  hands.map((hand) => t(`students.extra_work.hands.${hand}`)).join(", ");

type Form = {
  kind: string;
  title: string;
  minutes: string;
  times: string;
  one_of: string;
  keys: string;
  hands: string;
  higher: string;
};

const EMPTY: Form = {
  kind: "sight_reading",
  title: "",
  minutes: "5",
  times: "2",
  one_of: "",
  keys: "",
  hands: "",
  higher: "",
};

/** An exercise or other work, new or as it was given to someone before. */
export function AddExtraWork({ student, onDone }: { student: number; onDone: () => void }) {
  const add = useAddExtraWork(student);
  const given = useExtraWorkGiven().data?.given ?? [];
  const [key] = useState(newKey);
  const { register, handleSubmit, watch, reset } = useForm<Form>({ defaultValues: EMPTY });
  const exercise = watch("kind") === "exercise";
  return (
    <Box asChild mt="8px">
      <form
        onSubmit={handleSubmit((form) => add.mutate({ key, ...sent(form) }, { onSuccess: onDone }))}
      >
        <Flex gap="10px" wrap="wrap" align="flex-end">
          {given.length > 0 && (
            <Choice
              label={t("students.extra_work.given_before")}
              width="100%"
              onChange={(event) => {
                const one = given[Number(event.target.value)];
                reset(one ? typed(one) : EMPTY);
              }}
            >
              <option value="">{t("students.extra_work.something_new")}</option>
              {given.map((one, at) => (
                <option key={one.id} value={at}>
                  {[one.title, one.keys.join(", "), kindWord(one.kind)].filter(Boolean).join(" · ")}
                </option>
              ))}
            </Choice>
          )}
          <Choice label={t("students.extra_work.kind")} width="180px" {...register("kind")}>
            {KINDS.map((kind) => (
              <option key={kind} value={kind}>
                {kindWord(kind)}
              </option>
            ))}
          </Choice>
          <Labelled label={t("students.extra_work.what")} width="220px" required>
            <Input
              maxLength={120}
              borderColor="line"
              autoFocus
              placeholder={exercise ? t("students.extra_work.such_as_chords") : undefined}
              {...register("title", { required: true })}
            />
          </Labelled>
          <Labelled label={t("students.extra_work.minutes")} width="80px" required>
            <Input
              type="number"
              min={0.5}
              max={120}
              step={0.5}
              borderColor="line"
              {...register("minutes")}
            />
          </Labelled>
          {exercise ? (
            <>
              <Choice
                label={t("students.extra_work.hands_title")}
                width="170px"
                {...register("hands")}
              >
                {HANDS.map((hands) => (
                  <option key={hands.join()} value={hands.join()}>
                    {hands.length > 0 ? handsWords(hands) : t("students.extra_work.hands.unsaid")}
                  </option>
                ))}
              </Choice>
              <Labelled label={t("students.extra_work.keys")} width="220px">
                <Input
                  borderColor="line"
                  placeholder={t("students.extra_work.such_as_keys")}
                  {...register("keys")}
                />
              </Labelled>
              <Choice
                label={t("students.extra_work.each_week")}
                width="190px"
                {...register("higher")}
              >
                <option value="">{t("students.extra_work.the_next_key")}</option>
                {HIGHER.map((count) => (
                  <option key={count} value={count}>
                    {t("students.extra_work.semitones_higher", { count })}
                  </option>
                ))}
              </Choice>
            </>
          ) : (
            <>
              <Labelled label={t("students.extra_work.times_a_week_2")} width="110px" required>
                <Input type="number" min={1} max={7} borderColor="line" {...register("times")} />
              </Labelled>
              <Labelled label={t("students.extra_work.choose_one_of")} width="220px">
                <Input
                  placeholder={t("students.extra_work.with_commas_between")}
                  borderColor="line"
                  {...register("one_of")}
                />
              </Labelled>
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

type LabelledProps = { label: string; width: string; required?: boolean; children: ReactNode };

function Labelled({ label, width, required, children }: LabelledProps) {
  return (
    <Field.Root w={width} required={required}>
      <Field.Label fontWeight={600}>{label}</Field.Label>
      {children}
    </Field.Root>
  );
}

const listOf = (text: string) =>
  text
    .split(",")
    .map((one) => one.trim())
    .filter(Boolean);

function sent(form: Form): NewExtraWork {
  const what = {
    kind: form.kind as NewExtraWork["kind"],
    title: form.title.trim(),
    minutes: Number(form.minutes),
  };
  if (form.kind !== "exercise")
    return { ...what, times: Number(form.times), one_of: listOf(form.one_of) };
  const higher = form.higher ? Number(form.higher) : null;
  return { ...what, times: 7, keys: listOf(form.keys), hands: listOf(form.hands) as Hands, higher };
}

const typed = (one: Work): Form => ({
  kind: one.kind,
  title: one.title,
  minutes: String(one.minutes),
  times: String(one.times),
  one_of: one.one_of.join(", "),
  keys: one.keys.join(", "),
  hands: one.hands.join(),
  higher: one.higher ? String(one.higher) : "",
});
