import { chakra } from "@chakra-ui/react";
import type { ComponentProps } from "react";
import { useTeachers } from "../api/queries";
import { t } from "../words";
import { Select } from "./Select";

type Props = ComponentProps<typeof Select> & { label: string; width?: string };

/** One of a few with its label, in a form. */
export function Choice({ label, width = "150px", ...field }: Props) {
  return (
    // biome-ignore lint/a11y/noLabelWithoutControl: the select is inside
    <chakra.label
      w={width}
      maxW="100%"
      display="flex"
      flexDirection="column"
      gap="6px"
      fontSize="sm"
      fontWeight={600}
    >
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

/** One of those who teach here; `none` names what it is without. Before there is anyone to
 * choose, a choice would fall on whoever comes first. */
export function TeacherChoice({ none, ...field }: Omit<Props, "children"> & { none?: string }) {
  const teachers = useTeachers();
  if (!teachers) return null;
  return (
    <Choice width="190px" {...field}>
      {none && <option value="">{none}</option>}
      {teachers.map((one) => (
        <option key={one.id} value={one.id}>
          {one.name}
        </option>
      ))}
    </Choice>
  );
}
