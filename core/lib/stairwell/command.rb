# frozen_string_literal: true

require "json"
require "optparse"
require_relative "../stairwell"

module Stairwell
  # The command line: reads a file, asks the core, prints.
  class Command
    USAGE =
      "Usage: stairwell roadmap FILE [--json] [--tempo COUNTS], stairwell script FILE, stairwell survey FILE [--json], stairwell staves FILE, stairwell parcel FILE.json, " \
        "stairwell convert FILE --to script|map|musicxml [--right PART] [--left PART] [--json], stairwell plan FILE.json [--json], stairwell holidays FILE.ics --since DATE [--json], or stairwell ladder FROM TO    (FILE: .musicxml, .xml, .mxl, page script .txt, or map .json)"
    COMMANDS = %w[roadmap script survey convert staves].freeze

    # @param arguments [Array<String>]
    # @return [Integer] the exit status: 0, or 2 on bad input
    def self.run(arguments, out:, err:) = new(out, err).run(arguments.dup)

    def initialize(out, err)
      @out = out
      @err = err
    end

    def run(arguments)
      json = false
      tempo = to = since = nil
      hands = {}
      OptionParser
        .new do |options|
          options.on("--json") { json = true }
          options.on("--to KIND") { |kind| to = kind }
          %i[right left].each { |hand| options.on("--#{hand} PART") { |part| hands[hand] = part } }
          options.on("--since DATE") { |date| since = date }
          options.on("--tempo N", OptionParser::DecimalNumeric) { |number| tempo = number.to_r }
        end
        .parse!(arguments)
      command, file, *more = arguments
      return ladder(file, *more) if command == "ladder"
      return plan(file, json) if command == "plan" && file && more.empty?
      return parcel(file) if command == "parcel" && file && more.empty?
      return holidays(file, since, json) if command == "holidays" && file && more.empty?
      return refuse(USAGE) unless COMMANDS.include?(command) && file && more.empty?

      if command == "convert" && !Formats::WRITTEN.key?(to)
        return refuse("Say what to convert it to: --to #{Formats::WRITTEN.keys.join(", --to ")}.")
      end
      return refuse("The tempo must be above 0 beats per minute.") if tempo && !tempo.positive?

      return staves(file) if command == "staves"

      map = Formats.read(File.binread(file), name: file, hands: hands)
      case command
      when "roadmap"
        roadmap(map, json, tempo)
      when "script"
        @out.puts Formats.write(map, "script")
      when "convert"
        @out.puts Formats.write(map, to)
      when "survey"
        survey(map, json)
      end
      0
    rescue OptionParser::ParseError => error
      refuse("#{error.message}. #{USAGE}")
    rescue UnreadableError => error
      json ? refuse_as_data(error) : refuse("#{file}: #{error.message}")
    rescue Error => error
      refuse("#{file}: #{error.message}")
    rescue SystemCallError => error
      refuse("#{file}: #{error.message.sub(/ @ .*/, "")}")
    end

    private

    # What can be a hand of a score, as JSON.
    def staves(file)
      @out.puts JSON.generate(Formats::MusicXML.staves(File.binread(file)))
      0
    end

    # The pages of a parcel, as JSON.
    def parcel(file)
      @out.puts JSON.generate(
                  Formats::Parcel.read(File.binread(file)).map { |map| Score::Document.dump(map) }
                )
      0
    end

    # What another program reads: the code, the text, and the text before it is said.
    def refuse_as_data(error)
      @err.puts JSON.generate(
                  { code: error.code, message: error.message, said: Phrase.pack(error.said) }
                )
      2
    end

    def ladder(*ends)
      from, to = ends.map { |text| text.to_s[/\A\d{1,3}\z/]&.to_i }
      unless ends.size == 2 && Constants::LADDER_TEMPOS.cover?(from) &&
               Constants::LADDER_TEMPOS.cover?(to)
        return refuse(USAGE)
      end
      return refuse("The ladder goes up: #{from} is above #{to}.") if from > to

      @out.puts Practice::Metronome.ladder(from, to).join(" ")
      0
    end

    def holidays(file, since, json)
      found, passed_over =
        Formats::Calendar.holidays(File.binread(file)).since(
          since ? Dates.read(since) : Constants::FIRST_DATE
        )
      data = {
        "holidays" =>
          found.map { |one| { "from" => one.from.to_s, "to" => one.to.to_s, "name" => one.name } },
        "passed_over" => passed_over
      }
      return (@out.puts JSON.generate(data)) || 0 if json

      found.each { |one| @out.puts "#{one.from} to #{one.to}: #{one.name}" }
      @out.puts "#{passed_over} passed over" if passed_over.positive?
      0
    rescue Date::Error
      refuse("There is no day #{since}.")
    end

    def plan(file, json)
      found = Planning::PlanFile.new(File.read(file, encoding: "UTF-8").scrub).summary
      return (@out.puts JSON.generate(found)) || 0 if json

      found["days"].each do |day|
        @out.puts "#{day["date"]}, #{day["minutes"]} min"
        day["items"].each { |one| @out.puts "  #{one["id"]}, #{one["minutes"]} min: #{one["why"]}" }
      end
      found["left_out"].each { |one| @out.puts "not this week: #{one["id"]}, #{one["why"]}" }
      @out.puts(
        if found["finish"]
          "done on #{found["finish"]}, after #{found["practice_days_to_finish"]} practice days"
        else
          "never done as things are"
        end
      )
      0
    rescue Error => error
      refuse("#{file}: #{error.message}")
    rescue SystemCallError => error
      refuse("#{file}: #{error.message.sub(/ @ .*/, "")}")
    end

    def roadmap(map, json, tempo)
      reading = Roadmap.read(map)
      reading = reading.with(diagnostics: reading.diagnostics + Sections::Check.call(map))
      json ? @out.puts(JSON.generate(reading.summary(tempo: tempo))) : print(reading)
    end

    def survey(map, json)
      found = Sections.survey(map)
      return @out.puts(JSON.generate(found.summary)) if json

      read = found.summary
      name = ->(index) { found.map.bar(index).name }
      stretch = ->(span) { span.uniq.map(&name).join("–") }
      @out.puts read["title"], "#{read["new_bars"]} of #{read["bars_printed"]} bars are new"
      @out.puts "#{"Suggested: " if found.suggested?}#{read["form"].map { |label| label || "·" }.join(" ")}"
      found
        .map
        .sections
        .zip(read["sections"]) do |section, data|
          @out.puts "#{section.label}: #{data["spans"].map(&stretch).join(", ")} #{Formats::PageScript.words(found.map, section)}".rstrip
        end
      @out.puts "Parts: #{read["parts"].map(&stretch).join(", ")}" if read["parts"].size > 1
      read["look"].each { |fact| @out.puts "#{fact["topic"]}: #{fact["text"]}" }
      read["seams"]
        .select { |join| join["hard"] }
        .each do |join|
          @out.puts "Hard join: #{join["from"]} to #{join["to"]}, bar #{name[join["from_bar"]]} to bar #{name[join["to_bar"]]}"
        end
      read["spots"].each do |spot|
        @out.puts "Spot: #{stretch[spot["span"]]}#{" #{spot["hand"]} hand" if spot["hand"]}, #{spot["text"]}"
      end
    end

    def print(reading)
      map = reading.map
      name = ->(index) { map.bar(index).name }
      @out.puts map.title
      @out.puts reading
                  .runs
                  .map { |run|
                    (run.from == run.to) ? name[run.from] : "#{name[run.from]}–#{name[run.to]}"
                  }
                  .join(", ")
      @out.puts "#{reading.bars_played} bars of #{reading.bars_printed} printed, #{Roadmap.number(reading.counts_played)} counts"
      if reading.never_played.any?
        @out.puts "Never played: #{reading.never_played.map(&name).join(", ")}"
      end
      reading.diagnostics.each { |one| @out.puts "#{one.grave ? "!" : "-"} #{one.message}" }
      map.unread.each do |what, bars|
        @out.puts "- Not used yet: #{what}#{" (bar #{bars.map(&name).join(", ")})" if bars.any?}"
      end
    end

    def refuse(message)
      @err.puts(message.lines.map(&:strip).join(" "))
      2
    end
  end
end
