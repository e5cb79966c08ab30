# frozen_string_literal: true

module Stairwell
  module Studio
    # What would make a late piece ready in time, and what each of these changes. The dates are
    # those that the student's page foretells once they are taken.
    class WaysOut
      # @param record [Record]
      # @param piece [PieceInHand]
      def initialize(record, piece)
        @record = record
        @piece = piece
      end

      # @return [Array<Planning::Option>] none where it is not late
      def to_a
        return [] if now.cautious && now.cautious <= due

        Planning::Options
          .new(changes, now: now.cautious, due: due) { |ids| outlook(with(ids)).cautious }
          .to_a
      end

      # @param change [String] of an option
      # @return [Record] with it
      # @raise [RefusedError] when it helps no more
      def take(change)
        ids = change.split("+")
        taken = with(ids) if (ids - changes.map(&:id)).empty?
        date = taken && outlook(taken).cautious
        return taken if date && (now.cautious.nil? || date < now.cautious)

        raise RefusedError.new(
                Phrase["studio.ways_out.this_does_not_make_ready_sooner", title: @piece.title],
                code: :no_option
              )
      end

      private

      # Where no date is set, within a year.
      def due = @piece.due_on || (@record.today + Constants::DATES_SAID)

      def now = @now ||= outlook(@record)

      def outlook(record) = Outlooks.new(record).to_h.fetch(@piece.id)

      # Only what makes the plan itself shorter is looked at further.
      # @return [Array<Planning::Options::Change>]
      def changes
        @changes ||=
          begin
            ends = finish(@record)
            [*days, *minutes, *choices].select do |one|
              (date = finish(with([one.id]))) && (ends.nil? || date < ends)
            end
          end
      end

      # As if each day were kept; with everything in hand, but nothing held back.
      def finish(record)
        load = Workload.new(record)
        load.in_rows.endings(nil, 1)[@piece.id]&.date
      end

      def change(id, kind, words) = Planning::Options::Change.new(id: id, kind: kind, words: words)

      # Two more days, those that help most; of equals the ones farthest from the others.
      def days
        own = student.practice_days
        free = (0..6).to_a - own
        best =
          free.min_by(2) do |day|
            [
              finish(with(["day_#{day}"])) || Date.new(9999),
              -own.map { |other| [(day - other) % 7, (other - day) % 7].min }.min.to_i
            ]
          end
        best.map do |day|
          change(
            "day_#{day}",
            "day_#{day}",
            Phrase["planning.options.practise_on_too", day: Phrase.weekday(day)]
          )
        end
      end

      def minutes =
        Constants::MORE_MINUTES.map do |more|
          change(
            "minutes_#{more}",
            "minutes",
            Phrase["planning.options.more_minutes_a_day", count: more]
          )
        end

      CHOICES = {
        "slower_tempo" => "a_target_tempo_slower",
        "no_pedal" => "leave_the_pedal_out",
        "no_memory" => "play_it_from_the_book",
        "fewer_sections" => "fewer_sections_by_then"
      }.freeze
      private_constant :CHOICES

      def choices =
        CHOICES.filter_map do |id, words|
          change(id, id, Phrase["planning.options.#{words}"]) if made(chosen(@piece, id))
        end

      # @param ids [Array<String>] of changes
      # @return [Record]
      def with(ids)
        mine, students = ids.partition { |id| CHOICES.key?(id) }
        record =
          @record.with(student: students.inject(student) { |found, id| practising(found, id) })
        return record if mine.empty?

        piece = mine.inject(@piece) { |found, id| chosen(found, id) }
        steps = made(piece)
        if steps
          record.with_piece(
            @piece.with_steps(steps, target_tempo: piece.target_tempo, choices: piece.choices)
          )
        else
          record
        end
      end

      def student = @record.student

      # The piece with one choice changed.
      def chosen(piece, id)
        choices = piece.choices
        case id
        when "slower_tempo"
          piece.with(
            target_tempo: slower(piece.target_tempo),
            choices: { "learnt_at" => piece.target_tempo }.merge(choices)
          )
        when "no_pedal"
          piece.with(choices: choices.merge("pedal" => "none"))
        when "no_memory"
          piece.with(choices: choices.merge("memory" => false))
        else
          piece.with(
            choices: choices.merge("without" => [*choices["without"], last_section].compact)
          )
        end
      end

      def slower(tempo) =
        (tempo * Constants::SLOWER_TARGET).to_i.clamp(
          Constants::TARGET_TEMPOS.min,
          Constants::TARGET_TEMPOS.max
        )

      # @return [Array<Practice::Step>, nil] nil where nothing is left to learn
      def made(piece)
        Assigned.steps(piece.newest_page.map, piece, @record.routine(piece.routine), @record.tempos)
      rescue ContradictionError
        nil
      end

      # The last of those that are not left out yet.
      def last_section = Assigned.page(@piece.newest_page.map, @piece.choices).sections.last&.label

      def practising(student, id)
        kind, number = id.split("_")
        if kind == "day"
          return student.with(practice_days: (student.practice_days | [number.to_i]).sort)
        end
        more = ->(minutes) { [minutes + number.to_i, Constants::MOST_DAILY_MINUTES].min }
        student.with(
          minutes_a_day: more[student.minutes_a_day],
          minutes_by_day: student.minutes_by_day.transform_values(&more)
        )
      end
    end
  end
end
