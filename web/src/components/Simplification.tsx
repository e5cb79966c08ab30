import { Flex, Text } from "@chakra-ui/react";
import { newKey, type Schemas } from "../api/client";
import { type Form, useSimplify } from "../api/queries";
import { t } from "../words";
import { Button } from "./Button";
import { Notice } from "./Notice";
import { useMay } from "./Rights";
import { Select } from "./Select";

/** For a step that did not go: what comes first, smaller, not longer. */
export function Simplification({
  student,
  step,
  of,
}: {
  student: number;
  step: Schemas["Step"];
  of: number;
}) {
  const save = useSimplify(student);
  const may = useMay();
  const { simplification } = step;
  if (!simplification || !may("change")) return null;
  const chosen = simplification.chosen ?? simplification.forms[0]?.form ?? "none";
  const choose = (form: string, bar: number | null) =>
    save.mutate({
      assignment_id: of,
      step_id: step.id,
      form: form as Form,
      bar: bar ?? undefined,
      key: newKey(),
    });
  const forms = simplification.forms.filter((one) => one.form !== "bar");
  const bars = simplification.forms.filter((one) => one.form === "bar");
  return (
    <>
      <Flex
        gap="4px"
        align="center"
        wrap="wrap"
        mt="6px"
        role="group"
        aria-label={t("components.simplification.smaller_first", { title: step.title })}
      >
        <Text fontSize="sm" fontWeight={650}>
          {t("components.simplification.smaller_first_2")}
        </Text>
        {[
          ...forms,
          { form: "none", bar: null, words: t("components.simplification.as_it_is") },
        ].map((one) => (
          <Button
            key={one.form}
            kind="toggle"
            size="xs"
            aria-pressed={chosen === one.form}
            onClick={() => choose(one.form, null)}
          >
            {one.words}
          </Button>
        ))}
        {bars.length > 0 && (
          <Select
            aria-label={t("components.simplification.only_one_bar_of_it")}
            value={chosen === "bar" ? String(simplification.bar) : ""}
            onChange={(event) => choose("bar", Number(event.target.value))}
          >
            <option value="" disabled>
              {t("components.simplification.one_bar")}
            </option>
            {bars.map((one) => (
              <option key={one.bar} value={String(one.bar)}>
                {one.words}
              </option>
            ))}
          </Select>
        )}
      </Flex>
      <Notice trouble={save.error} />
    </>
  );
}
