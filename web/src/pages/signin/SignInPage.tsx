import { Box, Field, Flex, Input, Text } from "@chakra-ui/react";
import { useForm } from "react-hook-form";
import { useSignIn } from "../../api/queries";
import { Button } from "../../components/Button";
import { Mark } from "../../components/Mark";
import { Notice } from "../../components/Notice";
import { Paper } from "../../components/Paper";
import { colour } from "../../theme/system";
import { t } from "../../words";

type Form = { email: string; password: string; remember: boolean };

/** The door. */
export function SignInPage() {
  const signIn = useSignIn();
  const { register, handleSubmit } = useForm<Form>({ defaultValues: { email: "", password: "", remember: true } });
  return (
    <Flex as="main" minH="100vh" align="center" justify="center" p="16px" position="relative" overflow="hidden">
      <Flight />
      <Paper w="380px" maxW="100%" p="28px" position="relative">
        <Mark />
        <Text mt="10px" mb="16px" color="soft">
          {t("signin.sign_in_page.from_the_printed_page_to_this")}
        </Text>
        <form onSubmit={handleSubmit((form) => signIn.mutate(form))}>
          <Field.Root mb="12px">
            <Field.Label fontWeight={600}>{t("signin.sign_in_page.email")}</Field.Label>
            <Input type="email" autoComplete="username" autoFocus required borderColor="line" {...register("email")} />
          </Field.Root>
          <Field.Root mb="12px">
            <Field.Label fontWeight={600}>{t("signin.sign_in_page.password")}</Field.Label>
            <Input
              type="password"
              autoComplete="current-password"
              required
              borderColor="line"
              {...register("password")}
            />
          </Field.Root>
          <Box as="label" display="flex" gap="8px" mb="14px">
            <input type="checkbox" {...register("remember")} /> {t("signin.sign_in_page.stay_signed_in_on_this_device")}
          </Box>
          <Notice trouble={signIn.error} />
          <Button type="submit" kind="go" w="100%" disabled={signIn.isPending}>
            {t("signin.sign_in_page.sign_in")}
          </Button>
        </form>
      </Paper>
    </Flex>
  );
}

/** A quiet flight of stairs behind the door. */
function Flight() {
  const treads = Array.from({ length: 18 }, (_, at) => at);
  return (
    <svg
      aria-hidden="true"
      viewBox="0 0 1280 800"
      preserveAspectRatio="xMidYMax slice"
      style={{ position: "absolute", inset: 0, width: "100%", height: "100%" }}
    >
      {treads.map((at) => (
        <rect
          key={at}
          x={at * 72}
          y={770 - at * 42}
          width="72"
          height="10"
          fill={at < 8 ? colour("line") : "none"}
          stroke={colour("line")}
          strokeWidth="1.5"
        />
      ))}
    </svg>
  );
}
