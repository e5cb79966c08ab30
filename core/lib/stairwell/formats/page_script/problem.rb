# frozen_string_literal: true

module Stairwell
  module Formats
    module PageScript
      # A line that was not understood: where, what was expected there, and the
      # nearest correct statement.
      Problem =
        Stairwell.value(:line, :column, :text, :message, :suggestion) do
          def to_s
            said =
              Phrase["formats.page_script.problem", line: line, column: column, message: message]
            (
              if suggestion
                Phrase["formats.page_script.try", problem: said, statement: suggestion]
              else
                said
              end
            ).to_s
          end
        end
    end
  end
end
