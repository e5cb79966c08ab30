# frozen_string_literal: true

module Stairwell
  module Planning
    # A teacher's changes of a week as plain data: what is stored and sent.
    module OverrideDocument
      # What kinds were called before.
      FORMERLY = { "extra" => "added" }.freeze

      module_function

      # @param override [Override]
      # @return [Hash{String => Object}] JSON-ready; only what is said
      def dump(override)
        override
          .to_h
          .merge(
            kind: override.kind.to_s,
            date: override.date&.to_s,
            minutes: override.minutes&.to_f
          )
          .compact
          .transform_keys(&:to_s)
      end

      # @param data [Hash] as {dump} gives, keys as strings or symbols
      # @return [Override]
      # @raise [RefusedError] for a date that does not exist
      def load(data)
        data = data.transform_keys(&:to_sym)
        Override.new(
          kind: FORMERLY.fetch(data[:kind], data[:kind]).to_sym,
          id: data[:id],
          date: data[:date] && date(data[:date]),
          repetitions: data[:repetitions],
          minutes: data[:minutes]&.then { |minutes| Rational(minutes.to_s) },
          title: data[:title]
        )
      end

      def date(text)
        Dates.read(text)
      rescue Date::Error
        raise RefusedError.new(
                Phrase["planning.override_document.is_no_date", text: text],
                code: :date,
                field: "date"
              )
      end
      private_class_method :date
    end
  end
end
