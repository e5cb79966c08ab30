import { Box, Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { useRenewLink, useWithdrawLink } from "../../api/queries";
import { Button } from "../../components/Button";
import { Notice } from "../../components/Notice";
import { Paper, PartHead } from "../../components/Paper";

/** The private link to the week sheet: make, copy, renew, withdraw. */
export function SheetLink({ student }: { student: Schemas["Student"] }) {
  const renew = useRenewLink(student.id);
  const withdraw = useWithdrawLink(student.id);
  const [copied, setCopied] = useState(false);
  const address = student.sheet_path ? `${window.location.origin}${student.sheet_path}` : "";
  const busy = renew.isPending || withdraw.isPending;
  const copy = () => navigator.clipboard?.writeText(address).then(() => setCopied(true));

  return (
    <Paper p="12px 18px" flex="1 1 420px">
      <PartHead>Week sheet for {student.name}</PartHead>
      {student.sheet_path ? (
        <>
          <Input
            aria-label="Private link"
            readOnly
            value={address}
            mt="6px"
            borderColor="line"
            fontSize="sm"
            onFocus={(event) => event.target.select()}
          />
          <Flex gap="8px" mt="8px" wrap="wrap">
            <Button size="sm" asChild>
              <a href={student.sheet_path} target="_blank" rel="noreferrer">
                Open the sheet
              </a>
            </Button>
            <Button size="sm" onClick={copy}>
              {copied ? "Copied" : "Copy the link"}
            </Button>
            <Button size="sm" disabled={busy} onClick={() => renew.mutate(undefined)}>
              Renew
            </Button>
            <Button size="sm" disabled={busy} onClick={() => withdraw.mutate(undefined)}>
              Withdraw
            </Button>
          </Flex>
          <Text fontSize="sm" color="soft" mt="6px">
            Whoever has the link sees this one sheet and nothing else. After “Renew” the old link opens nothing more.
          </Text>
        </>
      ) : (
        <Box mt="6px">
          <Text color="soft" mb="6px">
            No link is in use. With one, the family opens the sheet on a phone without an account.
          </Text>
          <Button size="sm" disabled={busy} onClick={() => renew.mutate(undefined)}>
            Make a private link
          </Button>
        </Box>
      )}
      <Notice trouble={renew.error ?? withdraw.error} />
    </Paper>
  );
}
