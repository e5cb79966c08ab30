import { Box, Field, Flex, Input, Text } from "@chakra-ui/react";
import { useForm } from "react-hook-form";
import {
  useChangeAddress,
  useChangePassword,
  useSession,
  useSignIns,
  useSignOut,
} from "../../api/queries";
import { Button } from "../../components/Button";
import { moment } from "../../components/dates";
import { Notice } from "../../components/Notice";
import { Paper, PartHead } from "../../components/Paper";
import { t } from "../../words";
import { PasswordField } from "../signin/PasswordField";

/** One's own sign-in: where it ends, its password and address, and what was done with it. */
export function Account() {
  const session = useSession();
  const out = useSignOut(true);
  return (
    <Paper as="section" aria-label={t("settings.account.you")} p="14px 18px" flex="1 1 100%">
      <PartHead>{t("settings.account.you")}</PartHead>
      <Flex mt="6px" gap="16px" align="center" wrap="wrap">
        <Text flex="1 1 320px">
          {t("settings.account.you_are_signed_in_as", {
            email: session.data?.account?.email ?? "",
          })}
        </Text>
        <Button onClick={() => out.mutate()} disabled={out.isPending}>
          {t("settings.account.sign_out_everywhere")}
        </Button>
      </Flex>
      <Notice trouble={out.error} />
      <Flex mt="12px" gap="32px" wrap="wrap" align="flex-start">
        <Password />
        <Address mail={session.data?.mail ?? false} />
        <SignIns />
      </Flex>
    </Paper>
  );
}

function Password() {
  const change = useChangePassword();
  const { register, handleSubmit, reset } = useForm({
    defaultValues: { password: "", new_password: "" },
  });
  return (
    <Box asChild flex="1 1 240px" minW={0}>
      <form onSubmit={handleSubmit((form) => change.mutate(form, { onSuccess: () => reset() }))}>
        <Text as="h3" fontWeight={700} mb="6px">
          {t("settings.account.another_password")}
        </Text>
        <PasswordField label={t("settings.account.password_now")} {...register("password")} />
        <PasswordField
          label={t("signin.new_password.password")}
          hint={t("signin.new_password.hint")}
          fresh
          {...register("new_password")}
        />
        <Button type="submit" disabled={change.isPending}>
          {t("settings.account.change_password")}
        </Button>
        {change.isSuccess && (
          <Text as="span" ml="10px" role="status" color="soft">
            {t("settings.account.password_changed")}
          </Text>
        )}
        <Notice trouble={change.error} />
      </form>
    </Box>
  );
}

function Address({ mail }: { mail: boolean }) {
  const change = useChangeAddress();
  const { register, handleSubmit, reset } = useForm({ defaultValues: { email: "", password: "" } });
  return (
    <Box asChild flex="1 1 240px" minW={0}>
      <form onSubmit={handleSubmit((form) => change.mutate(form, { onSuccess: () => reset() }))}>
        <Text as="h3" fontWeight={700} mb="6px">
          {t("settings.account.another_address")}
        </Text>
        {mail ? (
          <>
            <Field.Root mb="12px">
              <Field.Label fontWeight={600}>{t("settings.account.new_address")}</Field.Label>
              <Input
                type="email"
                required
                maxLength={200}
                borderColor="line"
                {...register("email")}
              />
            </Field.Root>
            <PasswordField label={t("settings.account.password_now")} {...register("password")} />
            <Button type="submit" disabled={change.isPending}>
              {t("settings.account.send_link")}
            </Button>
            {change.isSuccess && (
              <Text mt="8px" role="status" color="soft">
                {change.data.success}
              </Text>
            )}
            <Notice trouble={change.error} />
          </>
        ) : (
          <Text color="soft">{t("settings.account.no_mail")}</Text>
        )}
      </form>
    </Box>
  );
}

/** The last things that were done with the account, so that a stranger's stand out. */
function SignIns() {
  const all = useSignIns();
  return (
    <Box flex="2 1 340px">
      <Text as="h3" fontWeight={700} mb="6px">
        {t("settings.account.lately")}
      </Text>
      <Notice trouble={all.error} again={() => all.refetch()} />
      <Box as="ul" listStyleType="none" maxH="220px" overflowY="auto" tabIndex={0}>
        {all.data?.map(({ at, what, from }) => (
          <Flex as="li" key={`${at}${what}`} gap="10px" py="2px" wrap="wrap">
            <Text as="span" color="soft" minW="150px">
              {moment(at, { dateStyle: "medium", timeStyle: "short" })}
            </Text>
            <Text as="span">{t(`settings.account.did.${what}`)}</Text>
            <Text as="span" color="soft">
              {from}
            </Text>
          </Flex>
        ))}
      </Box>
    </Box>
  );
}
