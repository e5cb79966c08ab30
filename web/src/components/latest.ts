import { t } from "../words";
import { dayAndMonth } from "./dates";

/** A cautious date. A day more than a year away has none; a family's sheet doesn't load this. */
export const latest = (day: string | null, near?: string) =>
  day ? dayAndMonth(day, near) : t("dates.over_a_year");
