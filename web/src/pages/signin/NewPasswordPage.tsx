import { Text } from "@chakra-ui/react";
import { useForm } from "react-hook-form";
import { Link } from "react-router";
import { useResetPassword } from "../../api/queries";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { t } from "../../words";
import { Door } from "./Door";
import { PasswordField } from "./PasswordField";
import { useKey } from "./useKey";

/** Where the link for a new password leads. */
export default function NewPasswordPage() {
  const key = useKey();
  const reset = useResetPassword();
  const { register, handleSubmit } = useForm({ defaultValues: { password: "" } });
  return (
    <Door about={t("signin.new_password.about")}>
      {reset.isSuccess ? (
        <Text role="status">
          {t("signin.new_password.done")} <Link to="/">{t("signin.sign_in_page.sign_in")}</Link>
        </Text>
      ) : (
        <form onSubmit={handleSubmit(({ password }) => reset.mutate({ key, password }))}>
          <PasswordField
            label={t("signin.new_password.password")}
            hint={t("signin.new_password.hint")}
            fresh
            autoFocus
            {...register("password")}
          />
          <Notice trouble={reset.error} />
          <Button type="submit" kind="go" w="100%" disabled={reset.isPending}>
            {t("signin.new_password.keep")}
          </Button>
        </form>
      )}
    </Door>
  );
}
