import { Field, NativeSelect } from "@chakra-ui/react";
import type { ComponentProps } from "react";
import { t } from "../words";

type Props = ComponentProps<typeof NativeSelect.Field> & { label: string; width?: string; required?: boolean };

/** One of a few, in a form. */
export function Choice({ label, width = "150px", required, children, ...field }: Props) {
  return (
    <Field.Root w={width} required={required}>
      <Field.Label fontWeight={600}>{label}</Field.Label>
      <NativeSelect.Root>
        <NativeSelect.Field borderColor="line" {...field}>
          {children}
        </NativeSelect.Field>
        <NativeSelect.Indicator />
      </NativeSelect.Root>
    </Field.Root>
  );
}

/** Which hand comes first. */
export function FirstHand(field: Omit<Props, "label" | "children">) {
  return (
    <Choice label={t("components.choice.first_hand")} {...field}>
      <option value="right">{t("components.choice.right")}</option>
      <option value="left">{t("components.choice.left")}</option>
      <option value="easier">{t("components.choice.the_easier")}</option>
      <option value="harder">{t("components.choice.the_harder")}</option>
    </Choice>
  );
}
