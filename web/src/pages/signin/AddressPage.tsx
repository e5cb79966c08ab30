import { Text } from "@chakra-ui/react";
import { Link } from "react-router";
import { useConfirmAddress } from "../../api/queries";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { t } from "../../words";
import { Door } from "./Door";
import { useKey } from "./useKey";

/** Where the link in a mail to a new address leads. A press confirms it: programs that look
 * through mail open links, too. */
export default function AddressPage() {
  const key = useKey();
  const confirm = useConfirmAddress();
  return (
    <Door about={t("signin.address.about")}>
      {confirm.isSuccess ? (
        <Text role="status">
          {t("signin.address.done")} <Link to="/">{t("signin.address.on")}</Link>
        </Text>
      ) : (
        <>
          <Notice trouble={confirm.error} />
          <Button
            kind="go"
            w="100%"
            disabled={confirm.isPending}
            onClick={() => confirm.mutate({ key })}
          >
            {t("signin.address.confirm")}
          </Button>
        </>
      )}
    </Door>
  );
}
