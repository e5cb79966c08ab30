import { Field, Input } from "@chakra-ui/react";
import type { UseFormRegister } from "react-hook-form";
import { t } from "../../words";
import { PasswordField } from "./PasswordField";

export type Person = { name: string; email: string; password: string };

/** Who comes in: a new person, or one with an account already. */
export function PersonFields({ register }: { register: UseFormRegister<Person> }) {
  return (
    <>
      <Field.Root mb="12px">
        <Field.Label fontWeight={600}>{t("signin.person.name")}</Field.Label>
        <Input
          maxLength={80}
          autoComplete="name"
          required
          borderColor="line"
          {...register("name")}
        />
      </Field.Root>
      <Field.Root mb="12px">
        <Field.Label fontWeight={600}>{t("signin.sign_in_page.email")}</Field.Label>
        <Input
          type="email"
          maxLength={200}
          autoComplete="username"
          required
          borderColor="line"
          {...register("email")}
        />
      </Field.Root>
      <PasswordField
        label={t("signin.sign_in_page.password")}
        hint={t("signin.person.hint")}
        fresh
        {...register("password")}
      />
    </>
  );
}
