import { Box, Flex, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { useRenewLink, useWithdrawLink } from "../../api/queries";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { Paper, PartHead } from "../../components/Paper";
import { CopyLink, PrivateLink } from "../../components/PrivateLink";
import { May } from "../../components/Rights";
import { t } from "../../words";

/** The private link to the week sheet: make, copy, renew, withdraw. */
export function SheetLink({ student }: { student: Schemas["Student"] }) {
  const renew = useRenewLink(student.id);
  const withdraw = useWithdrawLink(student.id);
  const busy = renew.isPending || withdraw.isPending;

  return (
    <Paper p="12px 18px" flex="1 1 420px">
      <PartHead>{t("students.sheet_link.week_sheet_for", { student: student.name })}</PartHead>
      {student.sheet_path ? (
        <>
          <PrivateLink path={student.sheet_path} label={t("students.sheet_link.private_link")} />
          <Flex gap="8px" mt="8px" wrap="wrap">
            <Button size="sm" asChild>
              <a href={student.sheet_path} target="_blank" rel="noreferrer">
                {t("students.sheet_link.open_the_sheet")}
              </a>
            </Button>
            <CopyLink path={student.sheet_path} />
            <May to="change">
              <Button size="sm" disabled={busy} onClick={() => renew.mutate(undefined)}>
                {t("students.sheet_link.renew")}
              </Button>
              <Button size="sm" disabled={busy} onClick={() => withdraw.mutate(undefined)}>
                {t("students.sheet_link.withdraw")}
              </Button>
            </May>
          </Flex>
          <Text fontSize="sm" color="soft" mt="6px">
            {t("students.sheet_link.whoever_has_the_link_sees_this")}
          </Text>
        </>
      ) : (
        <Box mt="6px">
          <Text color="soft" mb="6px">
            {t("students.sheet_link.no_link_is_in_use_with")}
          </Text>
          <May to="change">
            <Button size="sm" disabled={busy} onClick={() => renew.mutate(undefined)}>
              {t("students.sheet_link.make_a_private_link")}
            </Button>
          </May>
        </Box>
      )}
      <Notice trouble={renew.error ?? withdraw.error} />
    </Paper>
  );
}
