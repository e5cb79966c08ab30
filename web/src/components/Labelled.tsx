import { Field, Input, type InputProps } from "@chakra-ui/react";
import type { Ref } from "react";

type Props = Omit<InputProps, "width"> & {
  label: string;
  width: string;
  ref?: Ref<HTMLInputElement>;
};

/** A field with its label, in a form. */
export function Labelled({ label, width, required, ...field }: Props) {
  return (
    <Field.Root w={width} maxW="100%" required={required}>
      <Field.Label fontWeight={600}>{label}</Field.Label>
      <Input borderColor="line" {...field} />
    </Field.Root>
  );
}
