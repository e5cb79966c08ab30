# frozen_string_literal: true

module Stairwell
  module Practice
    # Smaller, not longer: the easier form of a step that did not go. It is done
    # first; when it is steady the step resumes.
    module Simplification
      # How much slower the easier form is, where it has a pulse. Own choice:
      # about two rungs of the metronome scale.
      SLOWER = 85/100r
      MARK = "~smaller"
      # One way to make a step smaller: `form` is :slower, :fewer, :right, :left,
      # :first_half, :second_half or :bar with the `bar` of the step, counted
      # from 1.
      Form = Stairwell.value(:form, :words, bar: nil)
      FORMS = %i[slower fewer right left first_half second_half bar].freeze

      module_function

      # @param step [Step]
      # @return [Array<Form>] the forms a step has, the likeliest first
      def forms(step)
        bars = bars(step)
        halves = bars.size > 1
        [
          step.tempo ? Form.new(form: :slower, words: "slower, at #{slower(step)}") : (Form.new(form: :fewer, words: "half as often") if step.repetitions > 1),
          *(hands?(step) ? [Form.new(form: :right, words: "right hand alone"), Form.new(form: :left, words: "left hand alone")] : []),
          *(halves ? [Form.new(form: :first_half, words: "the first half"), Form.new(form: :second_half, words: "the second half")] : []),
          *(halves ? bars.each_index.map { |at| Form.new(form: :bar, words: "only its #{ordinal(at + 1)} bar", bar: at + 1) } : [])
        ].compact
      end

      # @param step [Step]
      # @param form [Symbol] of {FORMS}
      # @param bar [Integer, nil]
      # @return [Step] the easier form; the likeliest where the step has not that one
      def of(step, form = nil, bar: nil)
        chosen = forms(step).find { |one| one.form == form && one.bar == bar } || forms(step).first || Form.new(form: :fewer, words: "once more")
        smaller = shrunk(step, chosen)
        minutes = smaller.tempo ? Estimate.minutes(counts: smaller.counts, tempo: smaller.tempo, repetitions: smaller.repetitions) : Planning.halves(step.minutes * smaller.repetitions / step.repetitions * smaller.counts / step.counts)
        smaller.with(
          id: step.id + mark(chosen), title: "#{step.title}, #{chosen.words.split(",").first} first", minutes: minutes, good_days: 1,
          done: "it is easy; then the step goes on", arithmetic: "smaller, not longer: #{chosen.words}; #{smaller.repetitions} times; 1 good day"
        )
      end

      # @param step [Step]
      # @param smaller [Step] its easier form
      # @return [Step] that waits for it
      def resumed(step, smaller) = step.with(needs: step.needs | [smaller.id])

      def mark(form) = %i[slower fewer].include?(form.form) ? MARK : "#{MARK}-#{form.form.to_s.tr("_", "-")}#{form.bar}"

      def shrunk(step, chosen)
        case chosen.form
        when :slower then step.with(tempo: slower(step))
        when :fewer then step.with(repetitions: [(step.repetitions/2r).ceil, 1].max)
        when :right, :left then step.with(hands: chosen.form, picture: chosen.form, actions: {chosen.form => :play, other(chosen.form) => :silent})
        when :first_half then part(step, bars(step).first((bars(step).size/2r).ceil), "first half of ")
        when :second_half then part(step, bars(step).drop(bars(step).size / 2), "second half of ")
        when :bar then part(step, [bars(step)[chosen.bar - 1]], "#{ordinal(chosen.bar)} bar of ")
        end
      end

      # Counts go with the bars: the share of those that are left.
      def part(step, bars, words)
        spans = bars.slice_when { |a, b| b != a + 1 }.map { |run| Score::Span.new(from: run.first, to: run.last) }
        step.with(spans: spans, counts: step.counts * bars.size / bars(step).size, place: words + step.place)
      end

      def slower(step) = Metronome.at_most(step.tempo * SLOWER)

      def bars(step) = step.spans.flat_map(&:bars)

      # Both hands play.
      def hands?(step) = step.hands == :both && step.actions.values.all?(:play)

      def other(hand) = (hand == :right) ? :left : :right

      def ordinal(number) = %w[first second third fourth fifth sixth seventh eighth][number - 1] || Roadmap.ordinal(number)
      private_class_method :mark, :shrunk, :part, :slower, :bars, :hands?, :other, :ordinal
    end
  end
end
