import { Box, Field, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import { useForm } from "react-hook-form";
import { useForgotten, useSignIn } from "../../api/queries";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { t } from "../../words";
import { Door } from "./Door";
import { PasswordField } from "./PasswordField";

type Form = { email: string; password: string; remember: boolean };

/** The door. */
export function SignInPage() {
  const signIn = useSignIn();
  const [forgotten, setForgotten] = useState(false);
  const { register, handleSubmit, getValues } = useForm<Form>({
    defaultValues: { email: "", password: "", remember: true },
  });
  if (forgotten) return <Forgotten email={getValues("email")} onBack={() => setForgotten(false)} />;
  return (
    <Door>
      <form onSubmit={handleSubmit((form) => signIn.mutate(form))}>
        <Field.Root mb="12px">
          <Field.Label fontWeight={600}>{t("signin.sign_in_page.email")}</Field.Label>
          <Input
            type="email"
            autoComplete="username"
            autoFocus
            required
            borderColor="line"
            {...register("email")}
          />
        </Field.Root>
        <PasswordField label={t("signin.sign_in_page.password")} {...register("password")} />
        <Box as="label" display="flex" gap="8px" mb="14px">
          <input type="checkbox" {...register("remember")} />{" "}
          {t("signin.sign_in_page.stay_signed_in_on_this_device")}
        </Box>
        <Button type="submit" kind="go" w="100%" disabled={signIn.isPending}>
          {t("signin.sign_in_page.sign_in")}
        </Button>
        <Button type="button" kind="quiet" w="100%" mt="8px" onClick={() => setForgotten(true)}>
          {t("signin.sign_in_page.forgotten")}
        </Button>
        {/* Last, so that what is pressed again stays under the finger. */}
        <Notice trouble={signIn.error} />
      </form>
    </Door>
  );
}

/** Asks for a link for a new password, which goes to the person's mail alone. */
function Forgotten({ email, onBack }: { email: string; onBack: () => void }) {
  const forgotten = useForgotten();
  const { register, handleSubmit } = useForm({ defaultValues: { email } });
  return (
    <Door about={t("signin.forgotten.about")}>
      {forgotten.isSuccess ? (
        <Text role="status" mb="14px">
          {forgotten.data.success}
        </Text>
      ) : (
        <form onSubmit={handleSubmit((form) => forgotten.mutate(form))}>
          <Field.Root mb="12px">
            <Field.Label fontWeight={600}>{t("signin.sign_in_page.email")}</Field.Label>
            <Input
              type="email"
              autoComplete="username"
              autoFocus
              required
              borderColor="line"
              {...register("email")}
            />
          </Field.Root>
          <Notice trouble={forgotten.error} />
          <Button type="submit" kind="go" w="100%" disabled={forgotten.isPending}>
            {t("signin.forgotten.send")}
          </Button>
        </form>
      )}
      <Button type="button" kind="quiet" w="100%" mt="8px" onClick={onBack}>
        {t("signin.forgotten.back")}
      </Button>
    </Door>
  );
}
