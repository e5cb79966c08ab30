import { chakra } from "@chakra-ui/react";
import type { ComponentProps } from "react";
import { t } from "../words";
import { Select } from "./Select";

type Props = ComponentProps<typeof Select> & { label: string; width?: string };

/** One of a few with its label, in a form. */
export function Choice({ label, width = "150px", ...field }: Props) {
  return (
    // biome-ignore lint/a11y/noLabelWithoutControl: the select is inside
    <chakra.label w={width} display="flex" flexDirection="column" gap="6px" fontSize="sm" fontWeight={600}>
      {label}
      <Select size="md" w="100%" fontSize="md" fontWeight={400} {...field} />
    </chakra.label>
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
