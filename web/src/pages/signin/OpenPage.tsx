import { Field, Input } from "@chakra-ui/react";
import { type UseFormRegister, useForm } from "react-hook-form";
import { useNavigate } from "react-router";
import { type NewStudio, useOpenStudio, useSession, useSignIn } from "../../api/queries";
import { Button } from "../../components/Button";
import { Choice } from "../../components/Choice";
import { Notice } from "../../components/Notice";
import { language, t } from "../../words";
import { Door } from "./Door";
import { type Person, PersonFields } from "./PersonFields";

const here = () => Intl.DateTimeFormat().resolvedOptions().timeZone;
const zones = () => [...new Set([here(), ...Intl.supportedValuesOf("timeZone")])];

/** The first page of a studio: whoever has the code the server showed opens it. */
export default function OpenPage() {
  const open = useOpenStudio();
  const signIn = useSignIn();
  const session = useSession();
  const go = useNavigate();
  const { register, handleSubmit } = useForm<NewStudio>({
    defaultValues: {
      code: "",
      studio: "",
      time_zone: here(),
      locale: language(),
      name: "",
      email: "",
      password: "",
    },
  });
  const submit = (form: NewStudio) =>
    open.mutate(form, {
      onSuccess: () =>
        signIn.mutate(
          { email: form.email, password: form.password, remember: true },
          { onSuccess: () => go("/students", { replace: true }) },
        ),
    });
  return (
    <Door about={t("signin.open.about")}>
      <form onSubmit={handleSubmit(submit)}>
        <Field.Root mb="12px">
          <Field.Label fontWeight={600}>{t("signin.open.code")}</Field.Label>
          <Input
            maxLength={40}
            autoComplete="off"
            autoFocus
            required
            borderColor="line"
            {...register("code")}
          />
          <Field.HelperText>{t("signin.open.code_hint")}</Field.HelperText>
        </Field.Root>
        <Field.Root mb="12px">
          <Field.Label fontWeight={600}>{t("signin.open.studio")}</Field.Label>
          <Input
            maxLength={120}
            autoComplete="organization"
            required
            borderColor="line"
            {...register("studio")}
          />
        </Field.Root>
        <Choice
          label={t("signin.open.time_zone")}
          width="100%"
          mb="12px"
          {...register("time_zone")}
        >
          {zones().map((zone) => (
            <option key={zone}>{zone}</option>
          ))}
        </Choice>
        <Choice label={t("signin.open.usage")} width="100%" mb="12px" {...register("locale")}>
          {session.data?.languages.map(({ tag, name }) => (
            <option key={tag} value={tag}>
              {name}
            </option>
          ))}
        </Choice>
        <PersonFields register={register as unknown as UseFormRegister<Person>} />
        <Notice trouble={open.error ?? signIn.error} />
        <Button type="submit" kind="go" w="100%" disabled={open.isPending || signIn.isPending}>
          {t("signin.open.open")}
        </Button>
      </form>
    </Door>
  );
}
