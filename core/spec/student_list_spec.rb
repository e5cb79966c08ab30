# frozen_string_literal: true

require_relative "spec_helper"

# Lists of students as spreadsheets save them (RFC 4180).
RSpec.describe Stairwell::Formats::StudentList do
  list = described_class

  def values(text) = Stairwell::Formats::StudentList.read(text).lines.map(&:values)

  def troubles(text) =
    Stairwell::Formats::StudentList
      .read(text)
      .lines
      .flat_map { |line| line.troubles.map { |one| [line.number, one.to_s] } }

  it "are read with commas, semicolons and tabs, with columns in any order, whatever their letters" do
    expected = [
      include(name: "Nell Ash", lesson_weekday: 3, lesson_time: "16:30", minutes_a_day: 25)
    ]
    texts = [
      "Name,Lesson day,Lesson time,Minutes a day\nNell Ash,Wednesday,16:30,25\n",
      "lesson_time;NAME;weekday;minutes\r\n4:30 pm;\"Nell Ash\";Wed;25\r\n",
      "\uFEFFtime\tstudent\tday\tpractice minutes\n16.30\tNell Ash\twed.\t25 min"
    ]
    expect(texts.map { |text| values(text) }).to all(match(expected))
  end

  it "say what they do not say as for a new student: practice on every day but the lesson's" do
    expect(values("name,day,time\nIlo,Monday,9:00")).to eq(
      [
        {
          minutes_a_day: 20,
          hand_order: "right",
          practice_days: [0, 2, 3, 4, 5, 6],
          name: "Ilo",
          lesson_weekday: 1,
          lesson_time: "09:00"
        }
      ]
    )
  end

  it "name days one after another or from one to another, also over the week's end" do
    days = ->(text) do
      values("name,day,time,practice days\nIlo,Mon,9:00,\"#{text}\"").first&.fetch(:practice_days)
    end
    expect(
      ["Mon Wed Fri", "Mon, Wed, Fri", "Tuesday-Thursday", "Fri–Mon", "Sun", "someday"].map(&days)
    ).to eq([[1, 3, 5], [1, 3, 5], [2, 3, 4], [0, 1, 5, 6], [0], nil])
  end

  it "tell times as people write them" do
    time = ->(text) { values("name,day,time\nIlo,Mon,#{text}").first&.fetch(:lesson_time) }
    expect(
      [
        "16:30",
        "4:30 pm",
        "4 PM",
        "12:00 am",
        "12 pm",
        "9.15",
        "17h45",
        "24:00",
        "16",
        "13 pm",
        "4:75"
      ].map(&time)
    ).to eq(["16:30", "16:30", "16:00", "00:00", "12:00", "09:15", "17:45", nil, nil, nil, nil])
  end

  it "name each line that is wrong and what is wrong with it; the others stand" do
    text =
      "name,day,time,email,minutes\nIlo,Monday,9:00,ilo@quay.example,20\n,Someday,9:00,,4\nNell,Tuesday,,nell at home,20\nOdo,Friday,10:00,,\n"
    expect(troubles(text)).to eq(
      [
        [3, "“Someday” is no day of the week."],
        [3, "“4” is no number of minutes from 5 to 240."],
        [3, "The name is missing."],
        [4, "“nell at home” is no email address."],
        [4, "The lesson time is missing."]
      ]
    )
    expect(list.read(text).lines.map { |line| !line.values.nil? }).to eq([true, false, false, true])
  end

  it "pass over columns nobody knows, and say which" do
    read = list.read("name,shoe size,day,time\nIlo,38,Mon,9:00")
    expect([read.unknown, read.columns]).to eq([["shoe size"], %i[name lesson_weekday lesson_time]])
  end

  it "keep what stands in quotation marks, as RFC 4180 has it" do
    expect(
      values("name,day,time,class\n\"Ash, \"\"Nell\"\"\nIlo\",Mon,9:00,\"a;b\"").first
    ).to include(name: "Ash, \"Nell\"\nIlo", class_name: "a;b")
  end

  it "are refused where they are none, too long, or a quotation mark stays open" do
    {
      "" => /empty/,
      "name,time\nIlo,9:00" => /none for lesson day/,
      "name,day,time\n\"Ilo,Mon,9:00" => /Line \d/,
      "name,day,time\n#{"Ilo,Mon,9:00\n" * 201}" => /more than 200/,
      "x" => /name, lesson day and lesson time/
    }.each do |text, words|
      expect { list.read(text) }.to raise_error(Stairwell::UnreadableError, words)
    end
  end

  it "is refused with more columns than say anything of a student" do
    wide = ->(columns) do
      described_class.read("name,day,time#{",x" * (columns - 3)}\nIlo,Monday,16:00\n")
    end
    expect(wide[200].lines.size).to eq(1)
    expect { wide[201] }.to raise_error(Stairwell::UnreadableError, /201 columns, more than 200/)
  end
end
