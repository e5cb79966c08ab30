# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # A day as one box.
      module DayBoxJson
        def self.of(box) = box.to_h.merge(date: box.date.to_s)
      end
    end
  end
end
