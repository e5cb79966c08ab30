import { Flex, Text } from "@chakra-ui/react";
import type { Trouble } from "../api/client";
import { t } from "../words";
import { Button } from "./Button";
import { Notice } from "./Notice";
import { CopyLink, PrivateLink } from "./PrivateLink";

type Props = {
  path: string | null;
  busy: boolean;
  trouble: Trouble | null;
  onRenew: () => void;
  onWithdraw: () => void;
};

/** The private link to a calendar that other programs subscribe to. */
export function CalendarLink({ path, busy, trouble, onRenew, onWithdraw }: Props) {
  return (
    <>
      <Text color="soft" fontSize="sm" mt="2px">
        {t("lessons.calendar.about")}
      </Text>
      {path && <PrivateLink path={path} label={t("lessons.calendar.link")} />}
      <Flex gap="8px" mt="8px" wrap="wrap">
        {path && <CopyLink path={path} />}
        <Button size="sm" disabled={busy} onClick={onRenew}>
          {path ? t("lessons.calendar.renew") : t("lessons.calendar.make")}
        </Button>
        {path && (
          <Button size="sm" disabled={busy} onClick={onWithdraw}>
            {t("lessons.calendar.withdraw")}
          </Button>
        )}
      </Flex>
      <Notice trouble={trouble} />
    </>
  );
}
