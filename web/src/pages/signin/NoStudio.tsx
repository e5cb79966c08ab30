import { Text } from "@chakra-ui/react";
import { useSignOut } from "../../api/queries";
import { Button } from "../../components/Button";
import { t } from "../../words";
import { Door } from "./Door";

/** A person who left every studio, or was never in one. */
export function NoStudio() {
  const out = useSignOut();
  return (
    <Door about={t("signin.no_studio.about")}>
      <Text mb="14px">{t("signin.no_studio.ask")}</Text>
      <Button w="100%" onClick={() => out.mutate()} disabled={out.isPending}>
        {t("components.shell.sign_out")}
      </Button>
    </Door>
  );
}
