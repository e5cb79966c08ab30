# frozen_string_literal: true

module Stairwell
  module Planning
    # Sight-reading, theory, listening …: so many times a week.
    ExtraWork = Stairwell.value(:id, :minutes, :times, title: nil)
  end
end
