# frozen_string_literal: true

module Stairwell
  module Score
    # What was assumed where a score does not say it, as a map keeps it: a code, and behind ": "
    # what it is about.
    module Assumed
      CODES = %w[
        hands
        right_hand
        left_hand
        one_staff
        repeat_not_closed
        sign_inside
        voice_on_both_staves
        shared_by_reach
        no_title
        mode_close
        mode_leading
        mode_notes
      ].freeze

      module_function

      # @param what [String]
      # @return [Phrase, String] in the language that is spoken; itself where it is none of ours
      def said(what)
        code, about = what.split(": ", 2)
        return what unless CODES.include?(code)

        about = Key.parse(about)&.name || about if code.start_with?("mode_")
        Phrase["score.assumed.#{code}", **{ about: about }.compact]
      end
    end
  end
end
