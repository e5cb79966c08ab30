# frozen_string_literal: true

module Stairwell
  module Rows
    # The rows of a week that are of no piece in hand: warm-ups first, the others last.
    class BesideRows
      # @param lines [Array<Beside>]
      # @param days [Array<Day>]
      # @param overrides [Planning::Overrides]
      def initialize(lines, days, overrides)
        @old, @lines = lines.partition { |line| line.kind == :repertoire }
        @days = days
        @overrides = overrides
      end

      # @return [Integer] rows of those that are counted
      def places = @old.any? ? 1 : 0

      # @return [Array<Row>] warm-ups
      def first = rows(warm_ups)

      # @return [Array<Row>] reading, old pieces, other work, and what the teacher added
      def last = [*rows(@lines - warm_ups), *old_pieces, *added]

      # @param number [Integer] of a day
      # @return [Rational] minutes of all of them
      def minutes(number) = (first + last).flat_map { |row| row.on(number) }.sum(0r, &:minutes)

      private

      def warm_ups = @lines.select { |line| line.kind == :warm_up }

      def rows(lines) =
        lines
          .map do |line|
            row(line.id, line.kind, line.title, *why(line)) { |number| line if on?(line, number) }
          end
          .reject { |row| row.days.empty? }

      def why(line) = line.times && Phrase["planning.day_extras.times_a_week", count: line.times]

      # By turns.
      def old_pieces
        return [] if @old.empty?

        title = @old.one? ? @old.first.title : Phrase["rows.old_pieces"]
        [row("repertoire", :repertoire, title) { |number| @old[(number - 1) % @old.size] }]
      end

      def added =
        @days.each_with_index.flat_map do |day, at|
          @overrides
            .extras(day.date)
            .map do |one|
              part =
                Part.new(
                  id: one.id,
                  title: one.title,
                  times: 1,
                  each: one.minutes.to_r,
                  pinned: true
                )
              Row.new(
                id: "added/#{one.id}",
                kind: :other_work,
                title: one.title,
                days: {
                  at + 1 => [part]
                },
                why: Phrase["planning.day_extras.you_added_it"]
              )
            end
        end

      # @yieldparam number [Integer] of a day
      # @yieldreturn [Beside, nil] what stands there by itself
      def row(id, kind, title, why = Phrase["rows.why.#{kind}"])
        days = @days.each_with_index.to_h { |day, at| [at + 1, part(yield(at + 1), day.date, id)] }
        Row.new(
          id: id,
          kind: kind,
          title: title.is_a?(Phrase::Textual) ? Phrase.capital(title) : title,
          days: days.compact.transform_values { |part| [part] },
          why: why
        )
      end

      def part(line, date, id)
        line ||= (@lines + @old).find { |one| one.id == id && @overrides.override(id, date) }
        return if line.nil? || @overrides.off?(line.id, date)

        put = @overrides.override(line.id, date)
        Part.new(
          id: line.id,
          title: line.title,
          times: 1,
          each: (put&.minutes || line.minutes).to_r,
          pinned: !put.nil?
        )
      end

      # So many days a week, spread evenly.
      def on?(line, number)
        return true unless line.times

        (number * line.times / @days.size) > ((number - 1) * line.times / @days.size)
      end
    end
  end
end
