# frozen_string_literal: true

module Stairwell
  module Server
    module Services
      # Gives a student a piece, tries out what that would come to, and changes
      # what was chosen.
      class Giving
        CHOSEN = %i[join pedal articulation_by memory order repeats fermata].freeze

        # What a teacher may change under way: those, and sections that are left out.
        CHANGED = [*CHOSEN, :without].freeze

        # @param map [Score::Map]
        # @param choices [Hash] an assignment's
        # @return [Score::Map] without the sections this student leaves out
        def self.page(map, choices)
          left_out = choices.to_h.transform_keys(&:to_sym)[:without].to_a
          left_out.empty? ? map : map.with(sections: map.sections.reject { |one| left_out.include?(one.label) })
        end

        # @param row [Hash] an assignment's :hand_order, :target_tempo and :choices, with
        #   the pace the student had when it was given
        # @return [Practice::Choices]
        def self.choices(row)
          chosen = row[:choices].to_h.transform_keys(&:to_sym).slice(*CHOSEN, :pace, :learnt_at)
          pace = Rational(chosen.delete(:pace) || 1)
          order = chosen.delete(:order).to_a.map(&:to_sym)
          chosen.transform_values! { |value| value.is_a?(String) ? value.to_sym : value }
          Practice::Choices.new(hand_order: row[:hand_order].to_sym, target_tempo: row[:target_tempo].to_r, pace: pace, order: order, **chosen)
        end

        # @param desk [Desk]
        # @param student [Hash] row
        def initialize(desk, student)
          @desk = desk
          @student = student
          @assignments = Models::Assignments.new(desk)
        end

        # @param gift [Hash] piece_id:, routine: (key), hand_order:, target_tempo: (counts a
        #   minute, or percent of the printed mark with target_by: "share"), due_on:,
        #   introduce_first:, priority:, and what else a teacher chooses, see
        #   {Practice::Choices}
        # @return [void]
        # @raise [Problem] 422 when the piece has no section yet
        def give(gift)
          gift = settled(gift)
          day(gift[:due_on], "due_on")
          revision = Models::Pieces.new(@desk).find(gift[:piece_id])[:revision]
          steps = steps(gift)
          row = @assignments.add(
            student_id: @student[:id], revision: revision, given_at: @desk.clock.now, **gift.slice(:piece_id, :routine, :hand_order, :target_tempo, :due_on, :introduce_first, :priority),
            choices: Sequel.pg_jsonb(gift[:choices]), steps: steps
          )
          # A piece is given at a lesson, where its first section is shown.
          first = steps.filter_map(&:section).first || steps.first.parts.first
          Models::Shown.new(@desk).add(@student[:id], row[:id], first, true) if gift[:introduce_first] && first
        end

        # What giving a piece would come to by itself; nothing is saved.
        # @return [Hash]
        def trial(gift)
          gift = settled(gift)
          made = steps(gift)
          load = Workload.new(@desk, @student, given: [])
          finish = Planning.finish(**load.plan, tasks: Progress.piece(made, []).tasks)
          {
            steps: made.size, minutes: made.sum(0r, &:work).to_f, practice_days: finish.days, finish: finish.date&.to_s,
            titles: made.map(&:title), target_tempo: gift[:target_tempo], introduce_first: gift[:introduce_first]
          }
        end

        # Changes what was chosen. Marks and results stay; steps that are the same
        # keep theirs.
        # @param values [Hash] due_on:, priority:, introduce_first:, and of a gift: routine:,
        #   hand_order:, target_tempo:, and what else is chosen
        # @return [Hash] {added:, gone:, changed:} titles of steps
        def change(id, values)
          given = @assignments.find(@student[:id], id)
          day(values[:due_on], "due_on")
          @assignments.change(id, **values.slice(:due_on, :priority, :introduce_first)) if values.slice(:due_on, :priority, :introduce_first).any?
          steps = values.slice(:routine, :hand_order, :target_tempo, *CHANGED)
          steps.any? ? take_over(id, **steps) : Moved.of(given.progress.own, given.progress.own)
        end

        # Makes the steps anew from the page, the routine and the choices as they
        # are now.
        # @return [Hash] as {#change}
        def take_over(id, **values)
          given = @assignments.find(@student[:id], id)
          row = anew(given, values)
          made = steps(row)
          @assignments.change(id, steps: made, choices: row[:choices], revision: Models::Pieces.new(@desk).find(row[:piece_id])[:revision], **row.slice(:routine, :hand_order, :target_tempo))
          Moved.of(given.progress.own, made)
        end

        # A piece ends: passed, kept ready for a date, or set aside; or, with nil, it
        # is taken up again.
        # @param ended [String, nil]
        # @return [void]
        def close(id, ended, keep_for: nil)
          day(keep_for, "keep_for")
          row = @desk[:assignments].first(id: id, student_id: @student[:id]) || raise(Problem.not_found("piece of this student"))
          @assignments.change(row[:id], ended: ended, ended_on: (@desk.today if ended), keep_for: (keep_for if ended == "kept"))
        end

        private

        # @raise [Problem] 422 for a date that does not exist
        def day(text, field)
          Date.iso8601(text) if text
        rescue Date::Error
          raise Problem.new(422, "“#{text}” is no date.", code: "date", field: field)
        end

        # An assignment's row with other choices.
        def anew(given, values)
          choices = given.row[:choices].to_hash.transform_keys(&:to_sym).merge(values.slice(*CHANGED))
          given.row.slice(:piece_id, :routine, :hand_order, :target_tempo).merge(values.slice(:routine, :hand_order, :target_tempo)).merge(choices: choices)
        end

        # Every choice said, none left open.
        def settled(gift)
          choices = gift.slice(*CHOSEN).merge(pace: pace.to_s, target_by: gift.fetch(:target_by, "number"), target_said: gift[:target_tempo])
          {introduce_first: @student[:introduce_first], priority: 0}.merge(gift).merge(target_tempo: target_tempo(gift), choices: choices)
        end

        def target_tempo(gift)
          by = gift.fetch(:target_by, "number").to_sym
          Practice::TargetTempo.of((map(gift) unless by == :number), by: by, value: gift[:target_tempo])
        rescue ContradictionError => error
          raise Problem.new(422, error.message, code: "no_mark", field: "aim")
        end

        def pace = Progress::Pace.of(@assignments.of_student(@student[:id]).flat_map { |one| one.progress.days_taken })

        # As the piece is for this student, with the teacher's and their own
        # changes.
        def map(gift) = Workbench.new(@desk, gift[:piece_id], @student[:id].to_s).map

        def steps(gift)
          Practice.steps(self.class.page(map(gift), gift[:choices]), routine: Models::Routines.new(@desk).find(gift[:routine]), choices: self.class.choices(gift))
        rescue ContradictionError => error
          raise Problem.new(422, error.message, code: "no_steps", field: "piece_id")
        end
      end

      # What moved when steps were made anew.
      module Moved
        module_function

        # @param before [Array<Practice::Step>]
        # @param after [Array<Practice::Step>]
        # @return [Hash] {added:, gone:, changed:} titles
        def of(before, after)
          was, now = [before, after].map { |steps| steps.to_h { |step| [step.id, step] } }
          {
            added: (now.keys - was.keys).map { |id| now[id].title }, gone: (was.keys - now.keys).map { |id| was[id].title },
            changed: (was.keys & now.keys).reject { |id| same?(was[id], now[id]) }.map { |id| now[id].title }
          }
        end

        def same?(one, other) = one.with(arithmetic: nil, title: nil) == other.with(arithmetic: nil, title: nil)
        private_class_method :same?
      end
    end
  end
end
