# frozen_string_literal: true

module Stairwell
  module Practice
    # A routine as plain data, so that a studio can keep its own.
    module RoutineDocument
      SYMBOLS = %i[key scope hands aspect picture introduced_by].freeze
      LISTS = %i[needs after only everywhere earlier].freeze
      NAMES = %i[sitting cue chain].freeze

      module_function

      # @param routine [Routine]
      # @return [Array<Hash{String => Object}>] its stages, JSON-ready
      def dump(routine) = routine.stages.map { |one| stage(one) }

      # @param stages [Array<Hash{String => Object}>] as {dump} gives
      # @param about [Hash] key:, name:, for_whom:, why:
      # @return [Routine]
      # @raise [ContradictionError] when a stage is none or the routine cannot work
      def load(stages, **about)
        Routine
          .new(**about, stages: stages.map { |one| load_stage(one) })
          .tap { |routine| RoutineCheck.call(routine) }
      rescue KeyError, NoMethodError, TypeError, ArgumentError, ZeroDivisionError
        raise ContradictionError, Phrase["practice.routine_document.one_of_the_stages_is_damaged"]
      end

      def stage(one)
        one.to_h.to_h { |field, value| [field.to_s, plain(field, value)] }
      end

      def plain(field, value)
        return value.map(&:to_s) if LISTS.include?(field)
        return value.to_h { |hand, action| [hand.to_s, action.to_s] } if field == :actions
        return value.pack if value.is_a?(Phrase::Textual)

        (value.is_a?(Symbol) || value.is_a?(Rational)) ? value.to_s : value
      end

      def formerly(data)
        if data.key?("opens")
          opens = { "introduced_by" => (data["opens"] == "taught") ? "stage" : "section" }
        end
        only = { "only" => data["only"].map { |one| FORMER_ASPECTS.fetch(one, one) } } if data[
          "only"
        ]
        {
          **data,
          **opens.to_h,
          **only.to_h,
          "scope" => (data["scope"] == "seam") ? "join" : data["scope"],
          "aspect" => FORMER_ASPECTS.fetch(data["aspect"], data["aspect"])
        }
      end

      def load_stage(data)
        fields = formerly(data).transform_keys(&:to_sym).slice(*Stage.members)
        fields[:introduced_by] ||= "section"
        %i[name done].each { |field| fields[field] = Phrase.unpack(fields.fetch(field)) }
        SYMBOLS.each { |field| fields[field] = known(field, fields.fetch(field).to_sym) }
        LISTS.each { |field| fields[field] = fields.fetch(field, []).map(&:to_sym) }
        NAMES.each { |field| fields[field] = fields[field] && known(field, fields[field].to_sym) }
        fields[:tempo_share] = fields[:tempo_share] && Rational(fields[:tempo_share])
        fields[:actions] = fields
          .fetch(:actions, {})
          .to_h { |hand, action| [hand.to_sym, action.to_sym] }
        Stage.new(**fields)
      end

      KNOWN = {
        scope: Stage::SCOPES,
        aspect: Stage::ASPECTS,
        picture: Stage::PICTURES,
        hands: %i[right left both],
        introduced_by: Stage::INTRODUCED_BY,
        cue: Stage::CUES,
        chain: Choices::JOINS
      }.freeze

      def known(field, value) =
        if KNOWN[field].nil? || KNOWN[field].include?(value)
          value
        else
          raise(ArgumentError, field.to_s)
        end

      private_class_method :stage, :plain, :formerly, :load_stage, :known
    end
  end
end
