import { expect, test } from "vitest";
import { dayAndMonth, duration, FROM_MONDAY, fullDay, longDay, minutes, shortDay, WEEKDAYS } from "./dates";

// ISO 8601: 4 January is always in week 1, and 2026-01-01 was a Thursday.
test("days are named by the calendar, over a year's end and a leap day", () => {
  expect(fullDay("2026-01-01")).toBe("Thursday 1 January");
  expect(dayAndMonth("2026-12-31")).toBe("31 Dec");
  expect(longDay("2028-02-29")).toBe("Tuesday");
  expect(shortDay("2027-01-03")).toBe("Sun");
});

test("a day stays the same day in every time zone", () => {
  const zone = process.env.TZ;
  for (const there of ["Pacific/Kiritimati", "Pacific/Niue", "Asia/Kathmandu", "America/New_York"]) {
    process.env.TZ = there;
    expect(fullDay("2026-03-29")).toBe("Sunday 29 March");
  }
  process.env.TZ = zone;
});

test("the week begins on Monday and holds each weekday once", () => {
  expect(FROM_MONDAY.map((day) => WEEKDAYS[day])).toEqual([
    "Monday",
    "Tuesday",
    "Wednesday",
    "Thursday",
    "Friday",
    "Saturday",
    "Sunday",
  ]);
  for (const [at, name] of WEEKDAYS.entries()) expect(longDay(`2026-11-${22 + at}`)).toBe(name);
});

test.each([
  [0, "0 min"],
  [0.5, "½ min"],
  [1, "1 min"],
  [2.5, "2½ min"],
  [20, "20 min"],
  [61.5, "61½ min"],
])("%s minutes are written %s", (value, written) => expect(minutes(value)).toBe(written));

test.each([
  [8, "8 s"],
  [60, "1 min"],
  [128, "2 min 8 s"],
])("%s seconds are written %s", (value, written) => expect(duration(value)).toBe(written));
