# frozen_string_literal: true

module Stairwell
  module Roadmap
    # What holds only on some passes: "second time, left hand softer".
    class PassNotes
      # @param map [Score::Map]
      def initialize(map)
        @notes = map.markings.pass_notes
        @looped = Repeats.of(map).loops.flat_map { |loop| (loop.from..loop.last).to_a }.to_set
      end

      # @param visit [Visit]
      # @return [Array<String>] the notes that hold while it sounds; where no
      #   repeat stands around a bar, its pass is which time it is played
      def of(visit)
        pass = @looped.include?(visit.bar) ? visit.pass : visit.time
        @notes
          .select { |note| note.passes.include?(pass) && note.span.cover?(visit.bar) }
          .map do |note|
            [(Phrase["hands.#{note.hand}"] if note.hand), note.text].compact.then do |said|
              Phrase.list(said, by: :comma)
            end
          end
      end
    end
  end
end
