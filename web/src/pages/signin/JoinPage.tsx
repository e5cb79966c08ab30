import { useForm } from "react-hook-form";
import { useNavigate } from "react-router";
import { useInvitation, useJoin, useSignIn } from "../../api/queries";
import { Button } from "../../components/Button";
import { Lost, Notice, Waiting } from "../../components/Notice";
import { t } from "../../words";
import { Door } from "./Door";
import { type Person, PersonFields } from "./PersonFields";
import { useKey } from "./useKey";

/** Where an invitation leads. */
export default function JoinPage() {
  const token = useKey();
  const invitation = useInvitation(token);
  const join = useJoin();
  const signIn = useSignIn();
  const go = useNavigate();
  const { register, handleSubmit } = useForm<Person>({
    values: { name: "", email: invitation.data?.email ?? "", password: "" },
  });
  if (invitation.error && !invitation.data)
    return (
      <Door about={t("signin.join.about")}>
        <Lost trouble={invitation.error} again={() => invitation.refetch()} />
      </Door>
    );
  if (!invitation.data) return <Waiting what={t("signin.join.invitation")} />;
  const { studio, role } = invitation.data;
  const submit = (form: Person) =>
    join.mutate(
      { token, ...form },
      {
        onSuccess: () =>
          signIn.mutate(
            { email: form.email, password: form.password, remember: true },
            { onSuccess: () => go("/today", { replace: true }) },
          ),
      },
    );
  return (
    <Door about={t("signin.join.to", { studio, role: t(`people.as.${role}`) })}>
      <form onSubmit={handleSubmit(submit)}>
        <PersonFields register={register} />
        <Notice trouble={join.error ?? signIn.error} />
        <Button type="submit" kind="go" w="100%" disabled={join.isPending || signIn.isPending}>
          {t("signin.join.join")}
        </Button>
      </form>
    </Door>
  );
}
