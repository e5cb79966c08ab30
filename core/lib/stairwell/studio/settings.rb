# frozen_string_literal: true

module Stairwell
  module Studio
    # What of a studio holds for all its students: `words` is a usage of
    # {Locales}, `caution` the studio's own (nil for none), `habit` what was seen of all its
    # students, `promises` how its dates came out.
    Settings =
      Stairwell.value(
        :name,
        locale: :en,
        holidays: Planning::Away.new(stretches: []),
        caution: nil,
        habit: Planning::Habit::Seen.new,
        promises: Planning::Promises.new
      )
  end
end
