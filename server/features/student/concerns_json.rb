# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # What needs attention.
      module ConcernsJson
        def self.of(concerns) = concerns.map { |one| { kind: one.kind.to_s, text: one.text } }
      end
    end
  end
end
