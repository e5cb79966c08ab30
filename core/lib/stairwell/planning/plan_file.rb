# frozen_string_literal: true

require "date"
require "json"

module Stairwell
  module Planning
    # Plans from a JSON file, for people who script.
    class PlanFile
      WEEKDAYS = %w[sun mon tue wed thu fri sat].freeze
      # What a number may be. Own choice, wide enough for any student.
      RANGES = {
        "minutes" => (0.5..600),
        "begin_per_day" => (1..100),
        "counts" => (0.1..100_000),
        "tempo" => (1..400),
        "reps" => (1..200),
        "good_days" => (0..1_000),
        "credited" => (0..100_000)
      }.freeze

      # @param text [String] JSON
      # @raise [UnreadableError] saying where it makes no sense
      def initialize(text)
        @data = JSON.parse(text)
        unless @data.is_a?(Hash)
          raise UnreadableError, Phrase["planning.plan_file.the_plan_file_must_hold_an"]
        end

        @from, @next_lesson =
          %w[from next_lesson].map { |key| date(@data, key, Phrase["planning.plan_file.the_file"]) }
        unless @next_lesson > @from
          raise UnreadableError, Phrase["planning.plan_file.next_lesson_must_be_a_day"]
        end
        if @next_lesson - @from > 366
          raise UnreadableError, Phrase["planning.plan_file.next_lesson_must_be_within_a"]
        end

        @practice = practice(object(@data, "practice"))
        @tasks = list("steps").map { |one| task(one) }
        @reviews = list("reviews").map { |one| review(one) }
        @warm_ups =
          list("warm_ups").map do |one|
            WarmUp.new(
              id: id(one, "warm_ups"),
              minutes: halves(one, "minutes", "warm-up #{one["id"]}")
            )
          end
      rescue JSON::ParserError
        raise UnreadableError, Phrase["planning.plan_file.this_is_not_json_the_file"]
      end

      # @return [Hash{String => Object}] JSON-ready
      # @raise [ContradictionError]
      def summary
        asked = {
          tasks: @tasks,
          practice: @practice,
          from: @from,
          next_lesson: @next_lesson,
          warm_ups: @warm_ups
        }
        asked[:under] = Planning.restrained(**asked)
        plan, finish = Planning.week(**asked, reviews: @reviews), Planning.finish(**asked)
        {
          "days" =>
            plan.days.map do |day|
              {
                "date" => day.date.to_s,
                "minutes" => number(day.minutes),
                "items" => day.items.map { |one| item(one) }
              }
            end,
          "left_out" => plan.left_out.map { |one| { "id" => one.id, "why" => one.why } },
          "finish" => finish.date&.to_s,
          "practice_days_to_finish" => finish.days,
          "lower_bound_days" => finish.lower_bound
        }
      end

      private

      def item(one)
        {
          "id" => one.id,
          "kind" => one.kind.to_s,
          "reps" => one.repetitions,
          "minutes" => number(one.minutes),
          "why" => one.why
        }.compact
      end

      # Halves, written whole where they are.
      def number(minutes) = (minutes.denominator == 1) ? minutes.to_i : minutes.to_f

      def practice(data)
        days = data["days"]
        unless days.is_a?(Array)
          raise UnreadableError, Phrase["planning.plan_file.practice_days_must_be_a_list"]
        end

        weekdays =
          days.map do |day|
            WEEKDAYS.index(day.to_s.downcase) ||
              raise(
                UnreadableError,
                Phrase["planning.plan_file.practice_days_is_no_weekday_such", day: day]
              )
          end
        if weekdays.empty?
          raise UnreadableError, Phrase["planning.plan_file.there_is_no_practice_day_name"]
        end

        Practice.new(
          weekdays: weekdays.uniq,
          minutes: halves(data, "minutes", "practice"),
          begin_per_day: whole(data, "begin_per_day", "practice", Constants::BEGIN_PER_DAY[:other])
        )
      end

      def task(one)
        id = id(one, "steps")
        where = Phrase["planning.plan_file.step", id: id]
        repetitions = whole(one, "reps", where, Constants::REPETITIONS)
        Task.new(
          id: id,
          minutes: estimate(one, where, repetitions),
          good_days: whole(one, "good_days", where),
          credited: whole(one, "credited", where, 0),
          repetitions: repetitions,
          begun: flag(one, "begun", false),
          hard: flag(one, "hard", false),
          introduced: flag(one, "taught", true),
          needs: ids(one, "needs", where),
          after: ids(one, "after", where)
        )
      end

      def review(one)
        id = id(one, "reviews")
        where = "review #{id}"
        repetitions = whole(one, "reps", where, 1)
        Review.new(
          id: id,
          due: date(one, "due", where),
          minutes: estimate(one, where, repetitions),
          repetitions: repetitions
        )
      end

      def estimate(one, where, repetitions)
        Stairwell::Practice::Estimate.minutes(
          counts: decimal(one, "counts", where),
          tempo: decimal(one, "tempo", where),
          repetitions: repetitions
        )
      end

      def list(key)
        found = @data.fetch(key, [])
        unless found.is_a?(Array) && found.size <= 5_000
          raise UnreadableError, Phrase["planning.plan_file.must_be_a_list", key: key]
        end
        unless found.all?(Hash)
          raise UnreadableError, Phrase["planning.plan_file.each_of_must_be_an_object", key: key]
        end

        found
      end

      def object(data, key)
        if data[key].is_a?(Hash)
          data[key]
        else
          raise(UnreadableError, Phrase["planning.plan_file.must_be_an_object", key: key])
        end
      end

      def id(one, list)
        id = one["id"]
        if id.is_a?(String) && id.match?(/\S/)
          id
        else
          raise(UnreadableError, Phrase["planning.plan_file.each_of_must_have_an_id", list: list])
        end
      end

      def ids(one, key, where)
        found = one.fetch(key, [])
        if found.is_a?(Array) && found.all?(String)
          found.uniq
        else
          raise(
            UnreadableError,
            Phrase["planning.plan_file.must_be_a_list_of_ids", where: where, key: key]
          )
        end
      end

      def flag(one, key, unsaid)
        value = one.fetch(key, unsaid)
        if [true, false].include?(value)
          value
        else
          raise(
            UnreadableError,
            Phrase[
              "planning.plan_file.must_be_true_or_false",
              where: Phrase["planning.plan_file.step", id: one["id"]],
              key: key
            ]
          )
        end
      end

      def date(one, key, where)
        Dates.read(one[key].to_s)
      rescue Date::Error
        raise UnreadableError,
              Phrase["planning.plan_file.must_be_a_date_such_as", where: where, key: key]
      end

      def decimal(one, key, where, unsaid = nil)
        value = one.fetch(key, unsaid)
        value = Rational(value) if value.is_a?(String) &&
          value.match?(%r{\A\d{1,6}(/[1-9]\d{0,3})?\z})
        range = RANGES.fetch(key)
        if value.is_a?(Numeric) && !(value.is_a?(Float) && !value.finite?) && range.cover?(value)
          return value.to_r
        end

        raise UnreadableError,
              Phrase[
                "planning.plan_file.must_be_a_number_from_to",
                where: where,
                key: key,
                min: range.min,
                max: range.max
              ]
      end

      def halves(one, key, where)
        value = decimal(one, key, where)
        if (value * 2).denominator == 1
          value
        else
          raise(
            UnreadableError,
            Phrase["planning.plan_file.must_be_in_whole_or_half", where: where, key: key]
          )
        end
      end

      def whole(one, key, where, unsaid = nil)
        value = decimal(one, key, where, unsaid)
        if value.denominator == 1
          value.to_i
        else
          raise(
            UnreadableError,
            Phrase["planning.plan_file.must_be_a_whole_number", where: where, key: key]
          )
        end
      end
    end
  end
end
