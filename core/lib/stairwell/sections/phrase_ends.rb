# frozen_string_literal: true

module Stairwell
  module Sections
    # Hears where phrases begin: behind a long note or a rest in the tune and a close in the bass;
    # and with which upbeat.
    class PhraseEnds
      # `upbeat` in whole notes before the bar; how strongly from 0 on.
      Begin = Stairwell.value(:upbeat, :strength)

      # @param map [Score::Map] with notes
      def initialize(map)
        @map = map
        @offsets = map.bars.inject([0r]) { |all, bar| all << (all.last + bar.length) }
        @tune = tune
        gaps = @tune.each_cons(2).map { |(one, _), (other, _)| other - one }
        @usual = gaps.sort[gaps.size / 2] || 1 / 4r
      end

      # @param bar [Integer] that would begin a phrase, perhaps with an upbeat before it
      # @param upbeats [Array<Rational>] that may be; 0 among them
      # @return [Begin] the strongest
      def begin_at(bar, upbeats)
        found =
          upbeats
            .select { |upbeat| upbeat < @map.bar(bar - 1).length }
            .map do |upbeat|
              Begin.new(
                upbeat: upbeat,
                strength: breath(@offsets[bar - 1] - upbeat) + printed(@offsets[bar - 1] - upbeat)
              )
            end
        best = found.max_by { |one| [one.strength, -one.upbeat] }
        best.with(strength: best.strength + close(bar))
      end

      # @param bar [Integer]
      # @param upbeat [Rational] in whole notes
      # @return [Symbol, nil] :upbeat where a phrase rather begins so much before the bar, :bar
      #   where it does at it, nil where nothing tells
      def heard(bar, upbeat)
        return if upbeat >= @map.bar(bar - 1).length

        more = breath(@offsets[bar - 1] - upbeat) - breath(@offsets[bar - 1])
        return if more.abs < Constants::UPBEAT_HEARD

        more.positive? ? :upbeat : :bar
      end

      private

      # @return [Array<Array(Rational, Rational)>] onset and end of each note of the tune
      def tune
        hand =
          Likeness::HANDS.find do |one|
            @map.notes.each_value.any? { |hands| hands.fetch(one, []).any? }
          end
        notes =
          @map.bars.flat_map do |bar|
            @map
              .notes
              .dig(bar.index, hand)
              .to_a
              .map { |note| [@offsets[bar.index - 1] + note.onset, note] }
          end
        sounding =
          notes
            .group_by(&:first)
            .sort
            .map do |at, all|
              all
                .map(&:last)
                .max_by { |one| one.pitch.midi }
                .then { |note| [at, at + note.length, note.tied] }
            end
        sounding.each_with_object([]) do |(at, to, tied), found|
          (tied && found.any?) ? found.last[1] = to : found << [at, to]
        end
      end

      # What is printed: behind a breath or a slur, where slurs are as long as phrases; never inside
      # a word.
      def printed(place)
        said = 0.0
        said += Constants::HEARD[:breath] if places(:breaths).include?(place)
        said += Constants::HEARD[:slur] if places(:slurs).include?(place) &&
          places(:slurs).size <= @map.bars.size
        said -= Constants::HEARD[:inside_word] if places(:inside_words).include?(place)
        said
      end

      # @return [Set<Rational>] from the beginning of the piece
      def places(kind) =
        (@places ||= {})[kind] ||= @map.phrasing[kind].to_set do |bar, onset|
          @offsets[bar - 1] + onset
        end

      # How long the tune waits before it goes on at a place, beside what it usually does.
      def breath(place)
        index = @tune.bsearch_index { |onset, _| onset >= place } || @tune.size
        return 0.0 if index.zero?

        onset, ending = @tune[index - 1]
        waits = ((place - onset) / @usual - 1).to_f / Constants::LONG_WAIT
        rests = [place - ending, 0r].max / @usual
        heard = waits.clamp(0.0, 1.0) + Constants::HEARD[:rest] * rests.to_f.clamp(0.0, 1.0)
        # What does not begin there is not as clear a beginning.
        (@tune.dig(index, 0) == place) ? heard : heard / 2
      end

      # A bass that falls from the dominant to the tonic, or rests on one of them (common practice).
      def close(bar)
        tonic, dominant = [0, 4].map { |step| degree(step) }
        before, last = bass(bar - 2), bass(bar - 1)
        return Constants::HEARD[:close] if [before, last] == [dominant, tonic]

        [dominant, tonic].include?(last) ? Constants::HEARD[:half_close] : 0.0
      end

      # Pitch class of the lowest note at the beginning of a bar.
      def bass(bar)
        notes = @map.notes.fetch(bar, {}).values.flatten
        first = notes.map(&:onset).min
        notes.select { |note| note.onset == first }.map { |note| note.pitch.midi }.min&.%(12)
      end

      def degree(step) = (@degrees ||= {})[step] ||= Score::Pitch.parse("#{scale[step]}4").midi % 12

      def scale = @scale ||= Score::Scale.new(@map.keys.first || Score::Key.new(fifths: 0)).names
    end
  end
end
