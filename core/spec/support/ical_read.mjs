// Reads a calendar file on standard input and prints its events as JSON.
import { createRequire } from "node:module";
import { readFileSync } from "node:fs";

const require = createRequire(`${process.cwd()}/package.json`);
const { default: ICAL } = await import(require.resolve("ical.js"));
const calendar = new ICAL.Component(ICAL.parse(readFileSync(0, "utf8")));
for (const zone of calendar.getAllSubcomponents("vtimezone")) ICAL.TimezoneService.register(zone);
const events = calendar.getAllSubcomponents("vevent").map((one) => {
  const event = new ICAL.Event(one);
  return {
    uid: event.uid,
    summary: event.summary,
    description: event.description,
    local: event.startDate.toString(),
    zone: event.startDate.zone.tzid,
    utc: event.startDate.convertToZone(ICAL.Timezone.utcTimezone).toString(),
    minutes: event.duration.toSeconds() / 60,
    status: one.getFirstPropertyValue("status"),
    sequence: event.sequence,
  };
});
process.stdout.write(JSON.stringify(events));
