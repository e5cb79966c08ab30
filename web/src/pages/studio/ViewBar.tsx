import { Flex, Text } from "@chakra-ui/react";
import type { Schemas } from "../../api/client";
import { FROM_MONDAY, weekdayName } from "../../components/dates";
import { Find } from "../../components/Find";
import { Pick } from "../../components/Pick";
import { t } from "../../words";
import { ORDERS, type View } from "./useView";

/** Whom the page shows, and in what order. */
export function ViewBar({ all, view }: { all: Schemas["StudioRow"][]; view: View }) {
  const teachers = [...new Set(all.map((row) => row.teacher))].sort();
  const classes = [...new Set(all.flatMap((row) => row.class_name ?? []))].sort();
  const days = FROM_MONDAY.filter((day) => all.some((row) => row.lesson_weekday === day));
  return (
    <Flex gap="10px" mb="8px" align="center" fontSize="sm" wrap="wrap">
      <Find label={t("studio.view_bar.find_a_student")} address={view} />
      {teachers.length > 1 && (
        <Pick
          name="teacher"
          address={view}
          label={t("studio.view_bar.teacher")}
          none={t("studio.view_bar.all_teachers")}
          options={teachers}
        />
      )}
      {classes.length > 0 && (
        <Pick
          name="class"
          address={view}
          label={t("studio.view_bar.class")}
          none={t("studio.view_bar.all_classes")}
          options={classes}
        />
      )}
      {days.length > 1 && (
        <Pick
          name="day"
          address={view}
          label={t("studio.view_bar.lesson_day")}
          none={t("studio.view_bar.all_days")}
          options={days.map((day) => [String(day), weekdayName(day)] as const)}
        />
      )}
      <Pick
        name="only"
        address={view}
        label={t("studio.view_bar.which_students")}
        none={t("studio.view_bar.all_students")}
        options={[
          ["attention", t("studio.view_bar.those_who_need_attention")],
          ["late", t("studio.view_bar.those_with_a_piece_that_will")],
        ]}
      />
      <Pick
        name="by"
        address={view}
        label={t("studio.view_bar.in_what_order")}
        options={ORDERS.map(
          (order) => [order === "lesson" ? "" : order, t(`studio.orders.${order}`)] as const,
        )}
      />
      <Text color="soft" role="status">
        {view.rows.length === all.length
          ? all.length
          : t("studio.view_bar.of", { rows: view.rows.length, all: all.length })}{" "}
        {t("studio.view_bar.students", { count: all.length })}
      </Text>
    </Flex>
  );
}
