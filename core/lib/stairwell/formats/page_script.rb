# frozen_string_literal: true

require "did_you_mean"
require_relative "page_script/scan"
require_relative "page_script/places"
require_relative "page_script/values"
require_relative "page_script/reader"
require_relative "page_script/writer"

module Stairwell
  module Formats
    # The page script: what is printed, typed one statement a line.
    module PageScript
      # A line that was not understood: where, what was expected there, and the
      # nearest correct statement. `grave` is false for a statement Stairwell
      # knows of but does not use yet.
      Problem = Stairwell.value(:line, :column, :text, :message, :suggestion, grave: true) do
        def to_s = "line #{line}, column #{column}: #{message}#{" Try: #{suggestion}" if suggestion}"
      end

      # `map` is nil when the script does not even say how many bars there are.
      Result = Stairwell.value(:map, :problems)

      # @param text [String]
      # @return [Result] never raises for what a person can type
      def self.read(text) = Reader.new(text).result

      # @param text [String]
      # @return [Score::Map]
      # @raise [UnreadableError] on the first line that was not understood
      def self.read!(text)
        result = read(text)
        grave = result.problems.find(&:grave)
        raise UnreadableError.new(grave.to_s, code: :script) if grave

        result.map
      end

      # @param map [Score::Map]
      # @return [String] a script that reads back as the same map, its notes
      #   and what only a score can say apart
      def self.write(map) = Writer.new(map).to_s
    end
  end
end
