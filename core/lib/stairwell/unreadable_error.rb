# frozen_string_literal: true

module Stairwell
  # A file or text that cannot be read as what it claims to be.
  class UnreadableError < Error
    # @return [Symbol] a name for the kind of trouble, stable across releases
    attr_reader :code

    def initialize(message, code: :unreadable)
      super(message)
      @code = code
    end
  end
end
