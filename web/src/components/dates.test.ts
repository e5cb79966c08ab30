import { expect, test } from "vitest";
import { speak, teach } from "../words";
import {
  dayAndMonth,
  duration,
  FROM_MONDAY,
  fullDay,
  longDay,
  minutes,
  ordinal,
  shortDay,
  shortWeekday,
  weekdayName,
} from "./dates";

// ISO 8601: 4 January is always in week 1, and 2026-01-01 was a Thursday.
test("days are named by the calendar, over a year's end and a leap day", () => {
  expect(fullDay("2026-01-01")).toBe("Thursday 1 January");
  expect(dayAndMonth("2026-12-31")).toBe("31 Dec");
  expect(longDay("2028-02-29")).toBe("Tuesday");
  expect(shortDay("2027-01-03")).toBe("Sun");
});

test("a day of another year than the one beside it says which", () => {
  expect(dayAndMonth("2027-03-18", "2026-10-30")).toBe("18 Mar 2027");
  expect(dayAndMonth("2026-12-31", "2026-01-01")).toBe("31 Dec");
});

test("a day stays the same day in every time zone", () => {
  const zone = process.env.TZ;
  for (const there of [
    "Pacific/Kiritimati",
    "Pacific/Niue",
    "Asia/Kathmandu",
    "America/New_York",
  ]) {
    process.env.TZ = there;
    expect(fullDay("2026-03-29")).toBe("Sunday 29 March");
  }
  process.env.TZ = zone;
});

test("the week begins on Monday and holds each weekday once", () => {
  expect(FROM_MONDAY.map(weekdayName)).toEqual([
    "Monday",
    "Tuesday",
    "Wednesday",
    "Thursday",
    "Friday",
    "Saturday",
    "Sunday",
  ]);
  // 22 November 2026 was a Sunday.
  for (const at of FROM_MONDAY) expect(longDay(`2026-11-${22 + at}`)).toBe(weekdayName(at));
  expect(shortWeekday(0)).toBe("Sun");
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

// English grammar: the teens take "th" whatever their last digit.
test.each([
  [1, "1st"],
  [2, "2nd"],
  [3, "3rd"],
  [4, "4th"],
  [11, "11th"],
  [12, "12th"],
  [13, "13th"],
  [21, "21st"],
  [22, "22nd"],
  [111, "111th"],
])("%d is the %s", (number, word) => expect(ordinal(number)).toBe(word));

test("days and places in an order are written as another language writes them", async () => {
  const french = {
    dates: {
      as: "fr-FR",
      minutes: "%{minutes} mn",
      ordinals: { one: "%{place}er", other: "%{place}e" },
    },
  };
  teach("fr", french);
  await speak("fr");
  expect([fullDay("2026-01-01"), weekdayName(1), ordinal(1), ordinal(21), minutes(2.5)]).toEqual([
    "jeudi 1 janvier",
    "lundi",
    "1er",
    "21e",
    "2½ mn",
  ]);
  await speak("en");
});
