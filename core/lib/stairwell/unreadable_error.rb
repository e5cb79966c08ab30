# frozen_string_literal: true

module Stairwell
  # A file or text that cannot be read as what it claims to be.
  class UnreadableError < Error
    # @return [Symbol] a name for the kind of trouble, stable across releases
    attr_reader :code

    # @return [Phrase, String] what is said, before it is said in a language
    attr_reader :said

    def initialize(said, code: :unreadable)
      super(said)
      @said = said
      @code = code
    end
  end
end
