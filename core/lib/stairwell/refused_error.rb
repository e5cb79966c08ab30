# frozen_string_literal: true

module Stairwell
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
end
