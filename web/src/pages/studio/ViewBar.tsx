import { Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { FROM_MONDAY, weekdayName } from "../../components/dates";
import { Select } from "../../components/Select";
import { t } from "../../words";
import { ORDERS, type View } from "./useView";

/** Whom the page shows, and in what order. */
export function ViewBar({ all, view }: { all: Schemas["StudioRow"][]; view: View }) {
  const teachers = [...new Set(all.map((row) => row.teacher))].sort();
  const classes = [...new Set(all.flatMap((row) => row.class_name ?? []))].sort();
  const days = FROM_MONDAY.filter((day) => all.some((row) => row.lesson_weekday === day));
  const pick = (name: string, label: string, none: string, options: (readonly [string, string])[]) => (
    <Select size="sm" aria-label={label} value={view.of(name)} onChange={(event) => view.set(name, event.target.value)}>
      {none && <option value="">{none}</option>}
      {options.map(([value, words]) => (
        <option key={value} value={value}>
          {words}
        </option>
      ))}
    </Select>
  );
  const same = (names: string[]) => names.map((name) => [name, name] as const);
  return (
    <Flex gap="10px" mb="8px" align="center" fontSize="sm" wrap="wrap">
      <Find view={view} />
      {teachers.length > 1 &&
        pick("teacher", t("studio.view_bar.teacher"), t("studio.view_bar.all_teachers"), same(teachers))}
      {classes.length > 0 && pick("class", t("studio.view_bar.class"), t("studio.view_bar.all_classes"), same(classes))}
      {days.length > 1 &&
        pick(
          "day",
          t("studio.view_bar.lesson_day"),
          t("studio.view_bar.all_days"),
          days.map((day) => [String(day), weekdayName(day)] as const),
        )}
      {pick("only", t("studio.view_bar.which_students"), t("studio.view_bar.all_students"), [
        ["attention", t("studio.view_bar.those_who_need_attention")],
        ["late", t("studio.view_bar.those_with_a_piece_that_will")],
      ])}
      {pick(
        "by",
        t("studio.view_bar.in_what_order"),
        "",
        ORDERS.map((order) => [order === "lesson" ? "" : order, t(`studio.orders.${order}`)] as const),
      )}
      <Text color="soft" role="status">
        {view.rows.length === all.length
          ? all.length
          : t("studio.view_bar.of", { rows: view.rows.length, all: all.length })}{" "}
        {t("studio.view_bar.students", { count: all.length })}
      </Text>
    </Flex>
  );
}

/** A name, or a part of one. What is typed is held here: the address follows a
 * moment later, and no letter is lost to it. */
function Find({ view }: { view: View }) {
  const [typed, setTyped] = useState(view.of("find"));
  return (
    <Input
      type="search"
      size="xs"
      h="34px"
      w="150px"
      bg="sheet"
      aria-label={t("studio.view_bar.find_a_student")}
      placeholder={t("studio.view_bar.find_a_student")}
      borderColor="line"
      value={typed}
      onChange={(event) => {
        setTyped(event.target.value);
        view.set("find", event.target.value);
      }}
    />
  );
}
