# frozen_string_literal: true

module Stairwell
  # Numbers with their units, written the same on every screen, in every message and on
  # paper.
  module Units
    module_function

    # @param value [Numeric] minutes; halves are written as people do
    # @return [String] such as "2½ min"
    def minutes(value)
      whole, rest = value.to_r.divmod(1)
      return "#{whole} min" if rest.zero?
      return "#{whole unless whole.zero?}½ min" if rest == 1/2r

      "#{value.to_f.round(1)} min"
    end
  end
end
