# frozen_string_literal: true

require_relative "spec_helper"
require_relative "support/ical_js"

# Calendar files (RFC 5545), read back by another library than the one that writes them:
# ical.js, a development package of the front end.
RSpec.describe Stairwell::Formats::Calendar do
  calendar = Stairwell::Formats::Calendar

  def event(day, time, **more)
    starts = DateTime.parse("#{day} #{time}")
    Stairwell::Formats::Calendar::Event.new(
      uid: "1-2-#{day}@stairwell",
      starts: starts,
      ends: starts + Rational(30, 1440),
      summary: "Lesson: Nell",
      stamp: Time.utc(2027, 3, 1),
      **more
    )
  end

  def read_back(events, zone) =
    IcalJs.read(Stairwell::Formats::Calendar.write(events, name: "Lessons", zone: zone))

  # The offsets are those of the IANA time zone database: Lisbon moves its clocks on
  # 28 March and 31 October 2027, New York on 14 March and 7 November, Auckland, in the
  # southern half, back on 4 April and forth on 26 September; Kathmandu never.
  {
    "Europe/Lisbon" => {
      "2027-03-24" => "16:30",
      "2027-03-31" => "15:30",
      "2027-10-27" => "15:30",
      "2027-11-03" => "16:30"
    },
    "America/New_York" => {
      "2027-03-10" => "21:30",
      "2027-03-17" => "20:30",
      "2027-11-03" => "20:30",
      "2027-11-10" => "21:30"
    },
    "Pacific/Auckland" => {
      "2027-03-31" => "03:30",
      "2027-04-07" => "04:30",
      "2027-09-22" => "04:30",
      "2027-09-29" => "03:30"
    },
    "Asia/Kathmandu" => {
      "2027-03-24" => "10:45",
      "2027-11-03" => "10:45"
    }
  }.each do |zone, moments|
    it "keep a lesson at half past four in #{zone} when clocks change" do
      read = read_back(moments.keys.map { |day| event(day, "16:30") }, zone)
      expect(read.map { |one| one.values_at("local", "zone") }).to eq(
        moments.keys.map { |day| ["#{day}T16:30:00", zone] }
      )
      expect(read.map { |one| one["utc"][11, 5] }).to eq(moments.values)
      expect(read.map { |one| one["minutes"] }).to all(eq(30))
    end
  end

  it "mark what is cancelled, and how often it was changed, under a name that stays" do
    read =
      read_back(
        [
          event(
            "2027-03-10",
            "16:30",
            cancelled: true,
            sequence: 2,
            description: "Tamsin holds this lesson."
          )
        ],
        "Europe/Lisbon"
      )
    expect(read).to contain_exactly(
      include(
        "uid" => "1-2-2027-03-10@stairwell",
        "status" => "CANCELLED",
        "sequence" => 2,
        "description" => "Tamsin holds this lesson."
      )
    )
    expect(read_back([], "Europe/Lisbon")).to eq([])
  end

  it "hold any name a student may have" do
    names = [
      "Lesson: O'Hara, Ilo; \\n \"x\"",
      "Lesson: Ł#{"ö" * 70}",
      "Lesson: 漢字 🎹",
      "Lesson: a\nBEGIN:VEVENT"
    ]
    read =
      read_back(
        names.each_with_index.map do |name, at|
          event("2027-03-%02d" % (at + 1), "09:00", summary: name)
        end,
        "Europe/Lisbon"
      )
    expect(read.map { |one| one["summary"] }).to eq(names)
    text =
      calendar.write(
        [event("2027-03-01", "09:00", summary: names[1])],
        name: "x",
        zone: "Europe/Lisbon"
      )
    # RFC 5545, 3.1: no line longer than 75 octets; lines end in CR LF.
    expect(text.split("\r\n").map(&:bytesize).max).to be <= 75
    expect(text.delete_suffix("\r\n").split("\r\n").grep(/\n/)).to eq([])
  end

  describe "with holidays" do
    def holidays(*events, since: Date.new(2027, 3, 1))
      body =
        events
          .map do |lines|
            "BEGIN:VEVENT\r\nUID:#{lines.hash}\r\n#{lines.join("\r\n")}\r\nEND:VEVENT\r\n"
          end
          .join
      found, passed_over =
        Stairwell::Formats::Calendar.holidays(
          "BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:-//x//EN\r\n#{body}END:VCALENDAR\r\n"
        ).since(since)
      [found.map { |one| [one.from.to_s, one.to.to_s, one.name] }, passed_over]
    end

    it "end on the day before the one the file names (RFC 5545, 3.6.1); one day where it names none" do
      expect(
        holidays(
          ["DTSTART;VALUE=DATE:20270405", "DTEND;VALUE=DATE:20270417", "SUMMARY:Spring\\, all"],
          ["DTSTART;VALUE=DATE:20270501", "SUMMARY:May Day"]
        )
      ).to eq(
        [[["2027-04-05", "2027-04-16", "Spring, all"], ["2027-05-01", "2027-05-01", "May Day"]], 0]
      )
    end

    it "with hours count where they last a day and longer; a dentist's appointment does not, nor what was called off" do
      expect(
        holidays(
          %w[
            DTSTART;TZID=Europe/Lisbon:20270405T080000
            DTEND;TZID=Europe/Lisbon:20270407T120000
            SUMMARY:Trip
          ],
          %w[DTSTART:20270405T080000Z DTEND:20270405T090000Z SUMMARY:Dentist],
          %w[DTSTART;VALUE=DATE:20270405 STATUS:CANCELLED SUMMARY:Off]
        )
      ).to eq([[%w[2027-04-05 2027-04-07 Trip]], 1])
    end

    it "that come back every year are told for the next years, as far as they go; others are counted" do
      found, passed_over =
        holidays(
          ["DTSTART;VALUE=DATE:20200101", "RRULE:FREQ=YEARLY", "SUMMARY:New Year"],
          %w[DTSTART;VALUE=DATE:20260610 RRULE:FREQ=YEARLY;COUNT=2 SUMMARY:Twice],
          %w[DTSTART;VALUE=DATE:20240229 RRULE:FREQ=YEARLY SUMMARY:Leap],
          %w[DTSTART;VALUE=DATE:20270405 RRULE:FREQ=WEEKLY SUMMARY:Weekly]
        )
      expect(found).to eq(
        [
          %w[2027-06-10 2027-06-10 Twice],
          ["2028-01-01", "2028-01-01", "New Year"],
          %w[2028-02-29 2028-02-29 Leap],
          ["2029-01-01", "2029-01-01", "New Year"],
          ["2030-01-01", "2030-01-01", "New Year"]
        ]
      )
      expect(passed_over).to eq(1)
    end

    it "are refused in words where there is no calendar, or a damaged one" do
      [
        "",
        "x",
        "BEGIN:VCALENDAR",
        "BEGIN:VCALENDAR\nBEGIN:VEVENT\nDTSTART;VALUE=DATE:20271345\nEND:VEVENT\nEND:VCALENDAR",
        "\xFF\xFE\x00",
        "BEGIN:VCALENDAR\nBEGIN:VEVENT\nRRULE:FREQ=NEVER\nEND:VEVENT\nEND:VCALENDAR"
      ].each do |text|
        calendar.holidays(text).since(Date.new(2027, 3, 1))
      rescue Stairwell::UnreadableError => error
        expect(error.message).to match(/calendar/)
      end
      expect {
        calendar.holidays("BEGIN:VCALENDAR\n#{"BEGIN:VEVENT\nEND:VEVENT\n" * 2001}")
      }.to raise_error(Stairwell::UnreadableError, /too many entries/)
    end
  end
end
