import { Box, Flex, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { useChangeStudio, useReadHolidays } from "../../api/queries";
import { Button } from "../../components/Button";
import { dayAndMonth } from "../../components/dates";
import { Notice } from "../../components/Notice";
import { t } from "../../words";

type Stretch = Schemas["StudioSettings"]["holidays"][number];

/** Holidays out of a calendar file: shown before they are taken. */
export function HolidayFile({ holidays }: { holidays: Stretch[] }) {
  const read = useReadHolidays();
  const save = useChangeStudio();
  const known = (one: Stretch) =>
    holidays.some(({ from, to }) => from === one.from && to === one.to);
  const fresh = read.data?.holidays.filter((one) => !known(one)) ?? [];
  const take = (practice: boolean) => {
    const taken = fresh.map(({ from, to }) => ({ from, to, ...(practice ? { practice } : {}) }));
    save.mutate({ holidays: [...holidays, ...taken].sort((a, b) => a.from.localeCompare(b.from)) });
  };
  return (
    <Box mt="8px">
      <label>
        {t("settings.holidays.from_a_file")}{" "}
        <input
          type="file"
          accept=".ics,text/calendar"
          onChange={(event) => event.target.files?.[0] && read.mutate(event.target.files[0])}
        />
      </label>
      {read.data && (
        <Box role="status" mt="6px">
          {fresh.map((one) => (
            <Text key={`${one.from} ${one.to} ${one.name}`}>
              {one.name}:{" "}
              {t("components.stretches.to_2", {
                from: dayAndMonth(one.from),
                to: dayAndMonth(one.to),
              })}
            </Text>
          ))}
          {read.data.passed_over > 0 && (
            <Text color="soft">
              {t("settings.holidays.passed_over", { count: read.data.passed_over })}
            </Text>
          )}
          {fresh.length === 0 ? (
            <Text color="soft">{t("settings.holidays.nothing_new")}</Text>
          ) : (
            <Flex gap="8px" mt="6px" wrap="wrap">
              <Button kind="go" size="sm" disabled={save.isPending} onClick={() => take(false)}>
                {t("settings.holidays.take", { count: fresh.length })}
              </Button>
              <Button size="sm" disabled={save.isPending} onClick={() => take(true)}>
                {t("settings.holidays.take_with_practice")}
              </Button>
            </Flex>
          )}
        </Box>
      )}
      <Notice trouble={read.error ?? save.error} />
    </Box>
  );
}
