import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { useRevision, useRevisions, type Whose } from "../../api/queries";
import { Button } from "../../components/Button";
import { moment } from "../../components/dates";
import { Notice, Waiting } from "../../components/Notice";
import { t } from "../../words";
import { Difference } from "./ScriptConflict";
import type { Bench } from "./useBench";

const when = (at: string) =>
  moment(at, { day: "numeric", month: "short", hour: "2-digit", minute: "2-digit" });

/** Who changed what and when; any two can be compared, and gone back to. */
export function Past({ id, whose, bench }: { id: number; whose: Whose; bench: Bench }) {
  const revisions = useRevisions(id, whose, bench.revision);
  const [open, setOpen] = useState<number | null>(null);
  const [against, setAgainst] = useState<number | null>(null);
  if (revisions.error && !revisions.data) return <Notice trouble={revisions.error} />;
  if (!revisions.data) return <Waiting what={t("piece.past.what_was_changed")} />;
  return (
    <Box as="section">
      {revisions.data.length === 0 && (
        <Text color="soft">{t("piece.past.nothing_has_been_changed_here_yet")}</Text>
      )}
      {revisions.data.map((one) => (
        <Box key={one.revision} borderBottom="1px solid" borderColor="line" py="5px">
          <Flex align="center" gap="8px">
            <Text flex="1">
              <b>{one.by}</b> · {when(one.at)}
            </Text>
            <Button
              kind="quiet"
              size="sm"
              aria-expanded={open === one.revision}
              onClick={() => {
                setOpen(open === one.revision ? null : one.revision);
                setAgainst(one.before);
              }}
            >
              {open === one.revision ? t("piece.past.close") : t("piece.past.what_changed")}
            </Button>
          </Flex>
          {open === one.revision && (
            <>
              <Flex as="label" gap="6px" fontSize="sm" color="soft" align="center">
                {t("piece.past.compared_with")}
                <select
                  value={against ?? ""}
                  onChange={(event) => setAgainst(Number(event.target.value) || null)}
                >
                  <option value="">{t("piece.past.nothing")}</option>
                  {revisions.data
                    .filter((other) => other.revision !== one.revision)
                    .map((other) => (
                      <option key={other.revision} value={other.revision}>
                        {other.by}, {when(other.at)}
                      </option>
                    ))}
                </select>
              </Flex>
              <Changed
                id={id}
                whose={whose}
                revision={one.revision}
                against={against}
                bench={bench}
              />
            </>
          )}
        </Box>
      ))}
    </Box>
  );
}

type ChangedProps = {
  id: number;
  whose: Whose;
  revision: number;
  against: number | null;
  bench: Bench;
};

function Changed({ id, whose, revision, against, bench }: ChangedProps) {
  const shown = useRevision(id, whose, revision, against);
  if (!shown.data) return <Notice trouble={shown.error} />;
  const { put, drop, script } = shown.data;
  return (
    <Box fontSize="sm" pb="4px">
      {drop.length > 0 && <Difference head={t("piece.past.taken_out")} lines={drop} />}
      <Difference head={t("piece.past.put_in")} lines={put} />
      {script !== bench.script && (
        <Button mt="6px" size="sm" onClick={() => bench.set(script)}>
          {t("piece.past.go_back_to_this")}
        </Button>
      )}
    </Box>
  );
}
