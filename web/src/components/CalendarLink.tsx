import { Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { Trouble } from "../api/client";
import { t } from "../words";
import { Button } from "./Button";
import { Notice } from "./Notice";

type Props = {
  path: string | null;
  busy: boolean;
  trouble: Trouble | null;
  onRenew: () => void;
  onWithdraw: () => void;
};

/** The private link to a calendar that other programs subscribe to. */
export function CalendarLink({ path, busy, trouble, onRenew, onWithdraw }: Props) {
  const [copied, setCopied] = useState(false);
  const address = path ? `${window.location.origin}${path}` : "";
  return (
    <>
      <Text color="soft" fontSize="sm" mt="2px">
        {t("lessons.calendar.about")}
      </Text>
      {path && (
        <Input
          aria-label={t("lessons.calendar.link")}
          readOnly
          value={address}
          mt="6px"
          borderColor="line"
          fontSize="sm"
          onFocus={(event) => event.target.select()}
        />
      )}
      <Flex gap="8px" mt="8px" wrap="wrap">
        {path && (
          <Button size="sm" onClick={() => navigator.clipboard?.writeText(address).then(() => setCopied(true))}>
            {copied ? t("lessons.calendar.copied") : t("lessons.calendar.copy")}
          </Button>
        )}
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
