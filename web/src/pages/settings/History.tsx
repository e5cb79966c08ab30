import { Box, Flex, Text } from "@chakra-ui/react";
import { useState } from "react";
import { usePeople, useStudents } from "../../api/queries";
import { type HistoryFilter, useHistory } from "../../api/queries/records";
import { Button } from "../../components/Button";
import { moment } from "../../components/dates";
import { NameLink } from "../../components/NameLink";
import { Empty, Notice, Waiting } from "../../components/Notice";
import { Paper, PartHead } from "../../components/Paper";
import { Select } from "../../components/Select";
import { t } from "../../words";

const KINDS = ["lessons", "students", "pages", "studio", "taken", "read"];

/** Who did what, when, to whom: for the owner, opened when it is wanted. */
export function History() {
  const [open, setOpen] = useState(false);
  return (
    <Paper as="section" aria-label={t("settings.history.history")} p="14px 18px" flex="1 1 100%">
      <PartHead
        beside={
          <Button size="sm" aria-expanded={open} onClick={() => setOpen(!open)}>
            {t(open ? "settings.history.close" : "settings.history.show")}
          </Button>
        }
      >
        {t("settings.history.history")}
      </PartHead>
      <Text mt="4px">{t("settings.history.about")}</Text>
      {open && <Happened />}
    </Paper>
  );
}

function Happened() {
  const [filter, setFilter] = useState<HistoryFilter>({});
  const found = useHistory(filter);
  const people = usePeople();
  const students = useStudents();
  const pick = (
    name: keyof HistoryFilter,
    label: string,
    none: string,
    options: { value: string | number; words: string }[],
  ) => (
    <Select
      size="sm"
      aria-label={label}
      value={filter[name] ?? ""}
      onChange={({ target }) =>
        setFilter({
          ...filter,
          [name]:
            target.value === "" ? undefined : name === "kind" ? target.value : Number(target.value),
        })
      }
    >
      <option value="">{none}</option>
      {options.map(({ value, words }) => (
        <option key={value} value={value}>
          {words}
        </option>
      ))}
    </Select>
  );
  return (
    <>
      <Flex gap="10px" my="8px" wrap="wrap">
        {pick(
          "kind",
          t("settings.history.what"),
          t("settings.history.everything"),
          KINDS.map((kind) => ({ value: kind, words: t(`settings.history.${kind}`) })),
        )}
        {pick(
          "account",
          t("settings.history.who"),
          t("settings.history.everyone"),
          (people.data?.people ?? []).map((one) => ({ value: one.id, words: one.name })),
        )}
        {pick(
          "student",
          t("settings.history.to_whom"),
          t("settings.history.any_student"),
          (students.data ?? []).map((one) => ({ value: one.id, words: one.name })),
        )}
      </Flex>
      {found.isPending && <Waiting what={t("settings.history.the_history")} />}
      <Notice trouble={found.error} again={() => found.refetch()} />
      {found.data?.length === 0 && <Empty>{t("settings.history.nothing")}</Empty>}
      <Box as="ol" listStyleType="none">
        {found.data?.map((one) => (
          <Flex
            as="li"
            key={one.id}
            gap="4px 12px"
            wrap="wrap"
            py="3px"
            borderBottom="1px solid"
            borderColor="line"
          >
            <Text color="soft" w="150px">
              {moment(one.at, { dateStyle: "medium", timeStyle: "short" })}
            </Text>
            <Text flex="1 1 300px">
              <b>{one.who}</b> {one.what}
              {one.student && (
                <>
                  {": "}
                  <NameLink fontSize="md" to={`/students/${one.student_id}`}>
                    {one.student}
                  </NameLink>
                </>
              )}
              {one.student_id && !one.student && `: ${t("settings.history.erased")}`}
              {one.piece && (
                <>
                  {": "}
                  <NameLink fontSize="md" to={`/library/${one.piece_id}`}>
                    {one.piece}
                  </NameLink>
                </>
              )}
            </Text>
          </Flex>
        ))}
      </Box>
      {found.hasNextPage && (
        <Button mt="8px" disabled={found.isFetchingNextPage} onClick={() => found.fetchNextPage()}>
          {t("settings.history.older")}
        </Button>
      )}
    </>
  );
}
