# frozen_string_literal: true

module Stairwell
  module Practice
    # Smaller, not longer: the easier form of a step that did not go. It is done
    # first; when it is steady the step resumes.
    module Simplification
      MARK = "~smaller"
      # The texts that name each form; what takes a pulse or a bar has them in it.
      WORDS = {
        slower: "slower_at",
        fewer: "half_as_often",
        right: "right_hand_alone",
        left: "left_hand_alone",
        first_half: "the_first_half",
        second_half: "the_second_half",
        bar: "only_its_bar",
        again: "once_more"
      }.freeze
      private_constant :WORDS
      # One way to make a step smaller: `form` is :slower with its `tempo`, :fewer, :right,
      # :left, :first_half, :second_half or :bar with the `bar` of the step, counted
      # from 1; :again for a step that has none of them.
      Form =
        Stairwell.value(:form, tempo: nil, bar: nil) do
          # @return [Phrase::Text]
          def words =
            Phrase[
              "practice.simplification.#{WORDS.fetch(form)}",
              **{ tempo: tempo, ordinal: bar && Simplification.nth(bar) }.compact
            ]
        end
      FORMS = %i[slower fewer right left first_half second_half bar].freeze

      module_function

      # @param id [String] of a step
      # @return [Boolean] whether it is the easier form of another
      def form?(id) = id.include?(MARK)

      # @param step [Step]
      # @param most [Numeric, nil] tempo that is known to go, or not to be too fast
      # @return [Array<Form>] the forms a step has, the likeliest first
      def forms(step, most: nil)
        bars = bars(step)
        [
          *([Form.new(form: :slower, tempo: slower(step, most))] if step.tempo),
          *([Form.new(form: :fewer)] if step.tempo.nil? && step.repetitions > 1),
          *([Form.new(form: :right), Form.new(form: :left)] if hands?(step)),
          *(
            if bars.size > 1
              [
                Form.new(form: :first_half),
                Form.new(form: :second_half),
                *bars.each_index.map { |at| Form.new(form: :bar, bar: at + 1) }
              ]
            end
          )
        ]
      end

      # @param step [Step]
      # @param form [Symbol] of {FORMS}
      # @param bar [Integer, nil]
      # @param most [Numeric, nil] as for {forms}
      # @return [Step] the easier form; the likeliest where the step has not that one
      def of(step, form = nil, bar: nil, most: nil)
        all = forms(step, most: most)
        chosen =
          all.find { |one| one.form == form && one.bar == bar } || all.first ||
            Form.new(form: :again)
        smaller = shrunk(step, chosen)
        minutes =
          (
            if smaller.tempo
              Estimate.minutes(
                counts: smaller.counts,
                tempo: smaller.tempo,
                repetitions: smaller.repetitions
              )
            else
              Planning.halves(
                step.minutes * smaller.repetitions / step.repetitions * smaller.counts / step.counts
              )
            end
          )
        smaller.with(
          new: 0r,
          sitting: nil,
          id: step.id + mark(chosen),
          title: title(step, chosen),
          minutes: minutes,
          good_days: 1,
          done: Phrase["practice.simplification.it_is_easy_then_the_step"],
          arithmetic:
            Phrase[
              "practice.simplification.smaller_not_longer_times_good_day",
              form: chosen.words,
              count: smaller.repetitions
            ]
        )
      end

      # @param step [Step]
      # @param smaller [Step] its easier form
      # @return [Step] that waits for it
      def resumed(step, smaller) = step.with(needs: step.needs | [smaller.id])

      def title(step, form)
        short = (form.form == :slower) ? Phrase["practice.simplification.slower"] : form.words
        Phrase.list(
          [
            *(step.title.is_a?(Phrase::List) ? step.title.items : step.title),
            Phrase["practice.simplification.first", form: short]
          ],
          by: :comma
        )
      end

      def mark(form) =
        if %i[slower fewer again].include?(form.form)
          MARK
        else
          "#{MARK}-#{form.form.to_s.tr("_", "-")}#{form.bar}"
        end

      def shrunk(step, chosen)
        case chosen.form
        when :slower
          step.with(tempo: chosen.tempo)
        when :fewer, :again
          step.with(repetitions: [(step.repetitions / 2r).ceil, 1].max)
        when :right, :left
          step.with(
            hands: chosen.form,
            picture: chosen.form,
            actions: {
              chosen.form => :play,
              other(chosen.form) => :silent
            }
          )
        when :first_half
          part(step, bars(step).first((bars(step).size / 2r).ceil), "first_half_of")
        when :second_half
          part(step, bars(step).drop(bars(step).size / 2), "second_half_of")
        when :bar
          part(step, [bars(step)[chosen.bar - 1]], "bar_of", ordinal: nth(chosen.bar))
        end
      end

      # Counts go with the bars: the share of those that are left.
      def part(step, bars, where, **more)
        spans =
          bars
            .slice_when { |a, b| b != a + 1 }
            .map { |run| Score::Span.new(from: run.first, to: run.last) }
        step.with(
          spans: spans,
          counts: step.counts * bars.size / bars(step).size,
          place: Phrase["practice.simplification.#{where}", place: step.place, **more]
        )
      end

      def slower(step, most) =
        Metronome.at_most([step.tempo * Constants::EASIER_TEMPO, most].compact.min)

      def bars(step) = step.spans.flat_map(&:bars)

      # Both hands play.
      def hands?(step) = step.hands == :both && step.actions.slice(:right, :left).values.all?(:play)

      def other(hand) = (hand == :right) ? :left : :right

      # @param number [Integer]
      # @return [Phrase::Text, Phrase::Ordinal]
      def nth(number) = number.between?(1, 8) ? Phrase["nth.#{number}"] : Phrase.ordinal(number)
      private_class_method :title, :mark, :shrunk, :part, :slower, :bars, :hands?, :other
    end
  end
end
