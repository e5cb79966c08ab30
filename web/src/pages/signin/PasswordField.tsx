import { Field, Input, type InputProps } from "@chakra-ui/react";

type Props = { label: string; fresh?: boolean; hint?: string } & InputProps;

/** A password: `fresh` where it is to be a new one, so that a browser may offer one. */
export function PasswordField({ label, fresh, hint, ...field }: Props) {
  return (
    <Field.Root mb="12px">
      <Field.Label fontWeight={600}>{label}</Field.Label>
      <Input
        type="password"
        autoComplete={fresh ? "new-password" : "current-password"}
        required
        borderColor="line"
        {...field}
      />
      {hint && <Field.HelperText>{hint}</Field.HelperText>}
    </Field.Root>
  );
}
