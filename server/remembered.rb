# frozen_string_literal: true

module Stairwell
  module Server
    # Values that were made of texts, kept for the next time the same texts come: the steps
    # and weeks of a student, the pages of pieces, a sheet of the versions of its rows. A value
    # follows from its texts alone and never changes, so that nothing has to be told when something
    # is changed: other texts are another value. What was not asked for longest gives way.
    class Remembered
      # @param letters [Integer] of all texts together
      def initialize(letters)
        @letters = letters
        @held = 0
        @values = {}
        @one_at_a_time = Mutex.new
      end

      # @param kind [Symbol] what is made of them
      # @param texts [Array<String, nil>]
      # @yield when it is not known; the block depends on nothing else
      # @return [Object] a value that never changes
      def fetch(kind, *texts)
        key = [kind, *texts]
        known(key) || yield.tap { |value| keep(key, value) }
      end

      # @return [Integer] letters of what is kept, those of values counted that say how many they
      #   have
      def size = @one_at_a_time.synchronize { @held }

      # Forgets everything, as where a database was filled anew under a running process.
      # @return [void]
      def clear
        @one_at_a_time.synchronize do
          @values.clear
          @held = 0
        end
      end

      private

      # Hashes keep the order in which they were filled: the last one used goes to the end.
      def known(key) =
        @one_at_a_time.synchronize { (value = @values.delete(key)) && @values[key] = value }

      def keep(key, value)
        long = length(key, value)
        # One that leaves no room for others is not worth it.
        return if long > @letters / 4

        @one_at_a_time.synchronize do
          @held += long unless @values.key?(key)
          @values[key] = value
          @held -= length(*@values.shift) while @held > @letters
        end
      end

      def length(key, value) =
        key.drop(1).sum { |text| text.to_s.length } +
          (value.respond_to?(:letters) ? value.letters : 0)

      # The process's own.
      OF_PROCESS = new(Limits::REMEMBERED_LETTERS)
    end
  end
end
