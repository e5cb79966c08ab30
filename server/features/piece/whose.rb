# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # For whom a piece is shown: the studio, all students of one teacher, or one
      # student.
      Whose =
        Stairwell.value(:kind, id: nil) do
          # @return [Hash] columns of a layer
          def columns = { "#{kind}_id": id }

          # @return [Boolean]
          def studio? = kind == :studio
        end

      # @param text [String, nil] "studio", "teacher" or a student's id
      # @param account_id [Integer]
      # @return [Whose]
      def Whose.of(text, account_id)
        case text
        when nil, "studio"
          new(kind: :studio)
        when "teacher"
          new(kind: :teacher, id: account_id)
        else
          new(kind: :student, id: text.to_i)
        end
      end
    end
  end
end
