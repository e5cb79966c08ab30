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
    klass = Struct.new(*members, *defaults.keys)
    klass.const_set(:DEFAULTS, defaults.freeze)
    keywords = [
      *members.map { |name| "#{name}:" },
      *defaults.keys.map { |name| "#{name}: DEFAULTS[:#{name}]" }
    ]
    # Written out, as no other way takes keywords as fast, and thousands are made in a
    # request.
    klass.class_eval(<<~RUBY, __FILE__, __LINE__ + 1)
      def initialize(#{keywords.join(", ")})
        super(#{klass.members.join(", ")})
        freeze
      end

      # @return [Object] a copy with some members changed
      # @raise [NameError] for a member it doesn't have
      def with(**changes)
        copy = dup
        changes.each { |name, value| copy[name] = value }
        copy.freeze
      end
    RUBY
    klass.class_eval(&body) if body
    klass
  end
end
