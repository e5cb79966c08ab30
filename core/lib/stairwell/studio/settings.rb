# frozen_string_literal: true

module Stairwell
  module Studio
    # What of a studio holds for all its students: `words` is a usage of
    # {Locales}, `caution` the studio's own (nil for none).
    Settings = Stairwell.value(:name, locale: :en, holidays: Planning::Away.new(stretches: []), caution: nil)
  end
end
