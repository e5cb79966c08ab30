# frozen_string_literal: true

module Stairwell
  module Score
    # What a score held that is not used. A map names it in English, as it is kept in
    # `stairwell-map/1`; this says it in the language that is spoken.
    module Unread
      QUOTED = {
        /\Athe words “(?<text>.*)”\z/m => "words",
        /\Athe notes of “(?<text>.*)”\z/m => "notes_of"
      }.freeze

      module_function

      # @param what [String] as a map names it
      # @return [Phrase, String] the name itself where it is none of ours
      def said(what)
        QUOTED.each do |pattern, key|
          return Phrase["score.unread.#{key}", text: $~[:text]] if what.match(pattern)
        end
        key = "score.unread.#{what.downcase.gsub(/[^a-z]+/, "_").delete_suffix("_")}"
        Locales.text?(key) ? Phrase[key] : what
      end
    end
  end
end
