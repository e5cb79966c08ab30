# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # What the teacher changed by hand in the week before a lesson.
      module OverridesJson
        def self.of(record, next_lesson)
          found = record.overrides_of(next_lesson)
          {
            list: found.overrides.map { |one| Planning::OverrideDocument.dump(one) },
            version: found.version
          }
        end
      end
    end
  end
end
