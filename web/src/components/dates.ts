import { language, t } from "../words";

// Days, numbers and lists as the language that is spoken writes them. The formats of
// days are those of the locale files.

const noon = (day: string) => new Date(`${day}T12:00:00`);
const as = (day: string, options: Intl.DateTimeFormatOptions) =>
  new Intl.DateTimeFormat(t("dates.as"), options).format(noon(day));

export const shortDay = (day: string) => as(day, { weekday: "short" });
export const longDay = (day: string) => as(day, { weekday: "long" });
/** @param beside a day that is said with it, or today: the year is said where it is another one */
export const dayAndMonth = (day: string, beside = day) =>
  as(day, {
    day: "numeric",
    month: "short",
    ...(day.slice(0, 4) === beside.slice(0, 4) ? {} : { year: "numeric" }),
  });
export const dateWithYear = (day: string) =>
  as(day, { day: "numeric", month: "long", year: "numeric" });
export const fullDay = (day: string) => as(day, { weekday: "long", day: "numeric", month: "long" });
export const moment = (time: string, parts?: Intl.DateTimeFormatOptions) =>
  new Date(time).toLocaleString(t("dates.as"), parts);

// A Sunday.
const FIRST = Date.UTC(2000, 0, 2);
/** @param weekday 0 is Sunday, as the server counts */
export const weekdayName = (weekday: number) =>
  longDay(new Date(FIRST + weekday * 86_400_000).toISOString().slice(0, 10));
export const shortWeekday = (weekday: number) =>
  shortDay(new Date(FIRST + weekday * 86_400_000).toISOString().slice(0, 10));
/** Weeks begin on Monday on every screen. */
export const FROM_MONDAY = [1, 2, 3, 4, 5, 6, 0];

/** 2.5 → "2½" */
export const halves = (value: number) =>
  `${Math.floor(value) || (value % 1 ? "" : 0)}${value % 1 >= 0.25 ? "½" : ""}`;

/** 2.5 → "2½ min" */
export const minutes = (value: number) => t("dates.minutes", { minutes: halves(value) });

/** 128 → "2 min 8 s" */
export function duration(seconds: number) {
  const rest = t("dates.seconds", { seconds: seconds % 60 });
  if (seconds < 60) return rest;
  const whole = minutes(Math.floor(seconds / 60));
  return seconds % 60 ? `${whole} ${rest}` : whole;
}

/** 2 → "2nd" */
export function ordinal(place: number) {
  const rule = new Intl.PluralRules(language(), { type: "ordinal" }).select(place);
  return t(`dates.ordinals.${rule}`, { place });
}

/** What is there of some texts, with commas between. */
export const listed = (texts: (string | number | false | null | undefined)[]) =>
  texts.filter(Boolean).join(", ");
