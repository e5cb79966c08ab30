# frozen_string_literal: true

module Stairwell
  module Sections
    # One thing seen when looking a piece over: under which head, in words, at
    # which bars, and the caution that belongs to it (nil for most).
    Fact = Stairwell.value(:topic, :text, bars: [], caution: nil)

    # Looks a piece over before it is played, as a teacher does with a student:
    # how long, which key and its scale, how it is counted, what the hands have
    # to do, where it is loud and soft, what is new.
    class Preview
      # Names of intervals by scale steps up to two octaves.
      INTERVALS = %w[unison second third fourth fifth sixth seventh octave ninth tenth eleventh twelfth].freeze

      # @param map [Score::Map]
      # @param span [Integer, nil] semitones the student's hand reaches
      # @param pedal [Boolean] whether the student's instrument has one
      # @param known [Array<String>] what the student has met before
      def initialize(map, span: nil, pedal: true, known: [])
        @map = map
        @span = span
        @pedal = pedal
        @known = known.map { |one| one.strip.downcase }
        @wording = Roadmap::Wording.new(map)
        @values = Values.new(map)
      end

      # @return [Array<Fact>]
      def facts
        [length, *keys, *meters, tempo, *clefs, *note_values, *hands, *accidentals, *marks, *introduced, time].compact
      end

      private

      def fact(topic, text, bars: [], caution: nil) = Fact.new(topic: topic, text: text, bars: bars, caution: caution)

      def many(number, one) = "#{number} #{one}#{"s" unless number == 1}"

      def length
        layout = @map.layout
        where = " on #{many(layout.lines.size, "line")}, #{many(layout.pages.size, "page")}" unless layout.assumed?
        share = NewShare.new(@map)
        fact("length", "#{many(@map.bars.size, "bar")}#{where}; #{share.new_bars.round} of them new")
      end

      def keys
        @map.keys.map do |key|
          signs = if key.fifths.zero?
            "no sharps or flats"
          else
            many(key.fifths.abs, key.fifths.positive? ? "sharp" : "flat")
          end
          fact("key", "#{key}#{from(key.bar)}: #{signs}. Play the scale first: #{Scale.new(key).names.join(" ")}", bars: [key.bar])
        end
      end

      # A word is vague and a mark often too fast; the teacher's target tempo is said beside.
      def tempo
        said = Score::TempoWords.said(@map.tempo&.words)
        fact("tempo", "#{said}. Target #{@map.target_tempo.round} beats per minute", bars: [1]) if said
      end

      def from(bar) = (bar == 1) ? "" : " from #{@wording.bar(bar)}"

      def meters
        @map.bars.slice_when { |a, b| a.meter != b.meter }.map(&:first).map do |bar|
          fact("time", "#{bar.meter}#{from(bar.index)}: #{@values.counting(bar.meter)}", bars: [bar.index])
        end
      end

      def clefs
        @map.clefs.group_by(&:hand).map do |hand, all|
          first, *changes = all
          later = changes.map { |one| "#{one.name} from #{@wording.bar(one.bar)}" }
          fact("clef", ["#{hand} hand: #{first.name}", *later].join(", "), bars: changes.map(&:bar))
        end
      end

      def note_values
        names = @values.names
        [(fact("note values", names.join(", ")) if names.any?)]
      end

      def hands
        Likeness::HANDS.flat_map { |hand| said(hand) || played(hand) }
      end

      # What the teacher or the page says of a start comes before what is found.
      def said(hand)
        starts = @map.markings.starts.select { |one| one.hand == hand }
        return if starts.empty? || @map.notes?

        starts.map { |one| fact("#{hand} hand", "#{(one.bar == 1) ? "starts" : "moves at #{@wording.bar(one.bar)}"} with finger #{one.finger} on #{one.pitch.name}", bars: [one.bar]) }
      end

      def played(hand)
        reach = Reach.new(@map, hand)
        return [] unless reach.plays?

        low, high = reach.range
        start = @map.markings.starts.find { |one| one.hand == hand && one.bar <= 2 }
        low_start, high_start = reach.start
        shifts = reach.shifts
        [
          fact("#{hand} hand", "#{low} to #{high}; starts #{start ? "with finger #{start.finger} on #{start.pitch.name}" : "within #{low_start} to #{high_start}"}; " \
            "#{shifts.empty? ? "stays in place" : "moves #{many(shifts.size, "time")}"}", bars: shifts.map(&:bar).uniq),
          stretch(hand, reach.widest)
        ].compact
      end

      def stretch(hand, widest)
        return unless widest && widest.semitones > Constants::HAND_POSITION

        over = @span && widest.semitones > @span
        wide = INTERVALS.fetch(widest.high.staff_step - widest.low.staff_step, "#{widest.semitones} semitones")
        fact("#{hand} hand", "widest together: #{widest.low} to #{widest.high}, #{wide.start_with?("o", "e") ? "an" : "a"} #{wide}, at #{@wording.bar(widest.bar)}" \
          "#{"; that is #{many(widest.semitones - @span, "semitone")} wider than this hand reaches" if over}",
          bars: [widest.bar], caution: (Cautions::ALL[:stretch].full if Cautions.wide?(widest.semitones, @span)))
      end

      def accidentals
        found = Hash.new { |all, name| all[name] = [] }
        @map.notes.each do |bar, hands|
          key = @map.keys.reverse.find { |one| one.bar <= bar } || Score::Key.new(fifths: 0)
          hands.values.flatten.each do |note|
            next if note.pitch.alter == key.alter(note.pitch.step)

            found[note.pitch.alter.zero? ? "#{note.pitch.step} natural" : "#{note.pitch.step}#{Score::Pitch::SIGNS[note.pitch.alter]}"] |= [bar]
          end
        end
        return [] if found.empty?

        [fact("outside the key", found.map { |name, bars| "#{name} (#{names(bars)})" }.join(", "), bars: found.values.flatten.uniq)]
      end

      def names(bars) = "bar#{"s" if bars.size > 1} #{bars.map { |bar| @map.bar(bar).name }.join(", ")}"

      def marks
        markings = @map.markings
        [
          listed("dynamics", markings.dynamics) { |one| "#{one.words} at #{@map.bar(one.span.from).name}" },
          listed("pedal", markings.pedal) { |one| @wording.bars(one) }&.then { |one| @pedal ? one : one.with(text: "#{one.text}; the instrument at home has no pedal") },
          listed("fermatas", markings.fermatas) { |one| "#{@wording.bar(one.bar)}: #{Roadmap.number(one.counts)} counts held for #{Roadmap.number(one.held || one.counts * 2)}" },
          listed("slowing down", markings.ritardandi) { |one| @wording.bars(one) },
          listed("octave lines", markings.octaves) { |one| "#{@wording.bars(one.span)}#{", #{one.hand} hand" if one.hand} #{one.up ? "higher" : "lower"} than written" },
          listed("ornaments", markings.ornaments) { |one| @wording.bar(one.from) },
          listed("lyrics", markings.verses) { |one| "verse #{one.number}, #{@wording.bars(one.span)}" }
        ].compact
      end

      def listed(topic, all)
        return if all.empty?

        fact(topic, all.map { |one| yield one }.join("; "), bars: all.map { |one|
          if one.is_a?(Score::Fermata)
            one.bar
          else
            (one.respond_to?(:span) ? one.span : one).from
          end
        }.uniq)
      end

      def introduced
        news = @map.markings.introduces.reject { |one| @known.include?(one.strip.downcase) }
        [(fact("new here", news.join("; ")) if news.any?)]
      end

      def time
        seconds = Roadmap.read(@map).seconds.round
        fact("to play once", "#{seconds / 60}:#{format("%02d", seconds % 60)} at #{@map.target_tempo.round}")
      end
    end
  end
end
