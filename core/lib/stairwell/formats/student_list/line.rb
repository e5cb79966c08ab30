# frozen_string_literal: true

module Stairwell
  module Formats
    class StudentList
      # A line of the list: `number` in the file, `values` of a student, nil where there are
      # `troubles`.
      Line = Stairwell.value(:number, :name, :values, :troubles)
    end
  end
end
