import { Text } from "@chakra-ui/react";
import type { ComponentProps } from "react";
import { t } from "../../words";
import { dayAndMonth } from "../dates";
import { WeekChart } from "./WeekChart";
import { WeekColumns } from "./WeekColumns";

/** A week as it was planned: in rows, or, of the time before there were rows, in columns. */
export function Week(props: ComponentProps<typeof WeekChart>) {
  const { week } = props;
  if (week.days.length === 0)
    return (
      <Text color="soft">
        {t("components.week.week_columns.there_is_no_practice_day_before", {
          day: dayAndMonth(week.next_lesson),
        })}
      </Text>
    );
  return week.rows.length > 0 ? <WeekChart {...props} /> : <WeekColumns {...props} />;
}
