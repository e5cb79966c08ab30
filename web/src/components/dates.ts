const noon = (day: string) => new Date(`${day}T12:00:00`);
const as = (day: string, options: Intl.DateTimeFormatOptions) =>
  new Intl.DateTimeFormat("en-GB", options).format(noon(day));

export const shortDay = (day: string) => as(day, { weekday: "short" });
export const longDay = (day: string) => as(day, { weekday: "long" });
export const dayAndMonth = (day: string) => as(day, { day: "numeric", month: "short" });
export const fullDay = (day: string) => as(day, { weekday: "long", day: "numeric", month: "long" });

/** 0 is Sunday, as the server counts. */
export const WEEKDAYS = ["Sunday", "Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday"];
/** Weeks begin on Monday on every screen. */
export const FROM_MONDAY = [1, 2, 3, 4, 5, 6, 0];

/** 2.5 → "2½ min" */
export const minutes = (value: number) =>
  `${Math.floor(value) || (value % 1 ? "" : 0)}${value % 1 >= 0.25 ? "½" : ""} min`;

/** 128 → "2 min 8 s" */
export const duration = (seconds: number) =>
  seconds < 60 ? `${seconds} s` : `${Math.floor(seconds / 60)} min${seconds % 60 ? ` ${seconds % 60} s` : ""}`;
