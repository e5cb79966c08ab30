# frozen_string_literal: true

module Stairwell
  # What every error of the core inherits from. Its message is written for a
  # teacher: what is wrong, where, and how to mend it.
  class Error < StandardError; end

  # A file or text that cannot be read as what it claims to be.
  class UnreadableError < Error
    # @return [Symbol] a name for the kind of trouble, stable across releases
    attr_reader :code

    def initialize(message, code: :unreadable)
      super(message)
      @code = code
    end
  end

  # Values that contradict each other: a circle of needs, an unknown step, a
  # practice week without a day.
  class ContradictionError < Error; end

  # What a teacher or a family asks for and that cannot be done as things are.
  class RefusedError < Error
    # @return [Symbol] a name for the kind of trouble, stable across releases
    attr_reader :code
    # @return [String, nil] what of the request it is about
    attr_reader :field

    def initialize(message, code:, field: nil)
      super(message)
      @code = code
      @field = field
    end
  end

  # Something is asked about that the student does not have: a piece, a step, a
  # section. Its message names it, such as "step in this piece".
  class MissingError < Error; end
end
