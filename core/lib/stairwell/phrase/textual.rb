# frozen_string_literal: true

module Stairwell
  module Phrase
    # How every kind of phrase behaves like the string it becomes.
    module Textual
      def to_str = to_s

      def to_json(*state) = to_s.to_json(*state)

      # @return [Boolean] whether the same is said; with a string, as it is said now
      def ==(other) = (other.is_a?(String) || other.is_a?(Former)) ? to_s == other.to_s : super

      def inspect = to_s.inspect

      %i[[] include? match? match =~ empty? start_with? end_with? size lines].each do |name|
        define_method(name) { |*given| to_s.public_send(name, *given) }
      end
    end
  end
end
