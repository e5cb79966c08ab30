import { Box, Flex, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { useChangeKeeping, useKeeping, useKeepLonger } from "../../api/queries/records";
import { Button } from "../../components/Button";
import { dateWithYear } from "../../components/dates";
import { NameLink } from "../../components/NameLink";
import { Notice, Waiting } from "../../components/Notice";
import { Paper, PartHead } from "../../components/Paper";
import { Select } from "../../components/Select";
import { Tick } from "../../components/Tick";
import { t } from "../../words";

type Kept = Schemas["Keeping"];

// Months to choose from. What else was set stays to be seen.
const MONTHS = [3, 6, 12, 24, 36, 60, 120];
// Months for which one who is about to be erased is kept longer.
const LONGER = 12;

/** What guardians agreed to, and how long what is kept of those who left is kept. */
export function Keeping() {
  const keeping = useKeeping();
  return (
    <Paper as="section" aria-label={t("settings.keeping.records")} p="14px 18px" flex="1 1 420px">
      <PartHead>{t("settings.keeping.records")}</PartHead>
      <Notice trouble={keeping.error} again={() => keeping.refetch()} />
      {keeping.data ? (
        <Choices kept={keeping.data} />
      ) : (
        <Waiting what={t("settings.keeping.records")} />
      )}
    </Paper>
  );
}

function Choices({ kept }: { kept: Kept }) {
  const change = useChangeKeeping();
  const months = kept.keep_months;
  return (
    <>
      <Tick
        checked={kept.asks_consent}
        disabled={change.isPending}
        onChange={(event) => change.mutate({ asks_consent: event.target.checked })}
      >
        {t("settings.keeping.asks_consent")}
      </Tick>
      {kept.asks_consent && <Missing missing={kept.missing} />}
      <Flex as="label" mt="10px" gap="8px" align="baseline" wrap="wrap">
        {t("settings.keeping.keep")}
        <Select
          size="sm"
          value={months ?? ""}
          disabled={change.isPending}
          onChange={({ target }) =>
            change.mutate({ keep_months: target.value === "" ? null : Number(target.value) })
          }
        >
          <option value="">{t("settings.keeping.without_end")}</option>
          {[...new Set([...MONTHS, ...(months ? [months] : [])])]
            .sort((one, other) => one - other)
            .map((one) => (
              <option key={one} value={one}>
                {t("settings.keeping.months", { count: one })}
              </option>
            ))}
        </Select>
      </Flex>
      <Text mt="4px" color="soft">
        {t(months ? "settings.keeping.told_before" : "settings.keeping.by_hand")}
      </Text>
      <Notice trouble={change.error} />
      <Ending ending={kept.ending} />
    </>
  );
}

function Missing({ missing }: { missing: Kept["missing"] }) {
  if (missing.length === 0) return <Text color="soft">{t("settings.keeping.none_missing")}</Text>;
  return (
    <Text>
      {t("settings.keeping.missing", { count: missing.length })}{" "}
      {missing.map((one, at) => (
        <span key={one.id}>
          {at > 0 && ", "}
          <NameLink fontSize="md" to={`/students/${one.id}`}>
            {one.name}
          </NameLink>
        </span>
      ))}
    </Text>
  );
}

/** Those who have left, the soonest first. */
function Ending({ ending }: { ending: Kept["ending"] }) {
  const longer = useKeepLonger();
  if (ending.length === 0) return null;
  return (
    <Box as="ul" listStyleType="none" mt="8px" aria-label={t("settings.keeping.of_those_who_left")}>
      {ending.map((one) => (
        <Flex as="li" key={one.id} gap="4px 12px" wrap="wrap" align="center" py="3px">
          <NameLink fontSize="md" to={`/students/${one.id}`}>
            {one.name}
          </NameLink>
          <Text flex="1" color={one.erase_on ? "brick" : "soft"}>
            {one.erase_on
              ? t("settings.keeping.is_erased_on", { day: dateWithYear(one.erase_on) })
              : t("settings.keeping.is_kept_until", { day: dateWithYear(one.ends_on) })}
          </Text>
          <Button
            size="sm"
            disabled={longer.isPending}
            aria-label={t("settings.keeping.a_year_longer_of", { name: one.name })}
            onClick={() => longer.mutate({ id: one.id, months: LONGER })}
          >
            {t("settings.keeping.a_year_longer")}
          </Button>
        </Flex>
      ))}
      <Notice trouble={longer.error} />
    </Box>
  );
}
