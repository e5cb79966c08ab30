# frozen_string_literal: true

module Stairwell
  module Studio
    # Extra work beside the pieces: an exercise begins every day, the rest comes so
    # many `times` a week; `one_of` lets the student choose; `key`
    # comes from whoever adds it.
    ExtraWork = Stairwell.value(:id, :kind, :title, :minutes, :times, one_of: [], key: nil) do
      # @return [Boolean]
      def exercise? = kind == "exercise"

      # @return [String] what it is called in a week
      def item_id = "work #{id}"
    end
  end
end
