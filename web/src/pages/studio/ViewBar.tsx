import { Flex, Input, Text } from "@chakra-ui/react";
import { useState } from "react";
import type { Schemas } from "../../api/client";
import { FROM_MONDAY, WEEKDAYS } from "../../components/dates";
import { Pick } from "../../components/Pick";
import { ORDERS, type View } from "./useView";

/** Whom the page shows, and in what order. */
export function ViewBar({ all, view }: { all: Schemas["StudioRow"][]; view: View }) {
  const teachers = [...new Set(all.map((row) => row.teacher))].sort();
  const classes = [...new Set(all.flatMap((row) => row.class_name ?? []))].sort();
  const days = FROM_MONDAY.filter((day) => all.some((row) => row.lesson_weekday === day));
  const pick = (name: string, label: string, none: string, options: (readonly [string, string])[]) => (
    <Pick aria-label={label} value={view.of(name)} onChange={(event) => view.set(name, event.target.value)}>
      {none && <option value="">{none}</option>}
      {options.map(([value, words]) => (
        <option key={value} value={value}>
          {words}
        </option>
      ))}
    </Pick>
  );
  const same = (names: string[]) => names.map((name) => [name, name] as const);
  return (
    <Flex gap="10px" mb="8px" align="center" fontSize="sm" wrap="wrap">
      <Find view={view} />
      {teachers.length > 1 && pick("teacher", "Teacher", "all teachers", same(teachers))}
      {classes.length > 0 && pick("class", "Class", "all classes", same(classes))}
      {days.length > 1 &&
        pick(
          "day",
          "Lesson day",
          "all days",
          days.map((day) => [String(day), WEEKDAYS[day] ?? ""] as const),
        )}
      {pick("only", "Which students", "all students", [
        ["attention", "those who need attention"],
        ["late", "those with a piece that will be late"],
      ])}
      {pick(
        "by",
        "In what order",
        "",
        Object.entries(ORDERS).map(([value, words]) => [value === "lesson" ? "" : value, words] as const),
      )}
      <Text color="soft" role="status">
        {view.rows.length === all.length ? all.length : `${view.rows.length} of ${all.length}`}{" "}
        {all.length === 1 ? "student" : "students"}
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
      w="150px"
      aria-label="Find a student"
      placeholder="Find a student"
      borderColor="line"
      value={typed}
      onChange={(event) => {
        setTyped(event.target.value);
        view.set("find", event.target.value);
      }}
    />
  );
}
