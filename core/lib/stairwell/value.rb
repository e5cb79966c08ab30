# frozen_string_literal: true

module Stairwell
  # Makes a class of immutable values with keyword members, each member
  # optional where a default is given. Ruby 3.1 has no Data; this is the part
  # of it the core needs.
  #
  # @example
  #   Span = Stairwell.value(:from, :to)
  #   Span.new(from: 1, to: 4).with(to: 8)
  # @return [Class] a Struct class whose instances are frozen
  def self.value(*members, **defaults, &body)
    required = members
    klass = Struct.new(*members, *defaults.keys, keyword_init: true) do
      define_method(:initialize) do |**given|
        raise ArgumentError, "missing #{(required - given.keys).join(", ")}" unless required.all? { |name| given.key?(name) }

        super(**defaults, **given)
        freeze
      end

      # @return [Object] a copy with some members changed
      def with(**changes) = self.class.new(**to_h, **changes)
    end
    klass.class_eval(&body) if body
    klass
  end
end
