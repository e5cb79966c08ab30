# frozen_string_literal: true

module Stairwell
  module Studio
    # A plan backwards from the date a piece is due, where the usual path doesn't get there: one
    # thing after another is left out or made easier until it does. Each of these is said, and can
    # be taken back. They stay with the piece, beside what it was before, in its choices:
    # "backwards" => {"measures" => [ids], "usual" => {…}}.
    class Backwards
      # In the order in which they are taken.
      MEASURES = %w[
        slower
        plain
        others_rest
        left_blocked
        all_now
        same_day
        one_day
        without_last
      ].freeze
      # What a measure may change of the choices of a piece.
      CHOICES = %w[learnt_at memory pedal repeats texture without].freeze
      private_constant :CHOICES

      # One plan for a piece: what is left out or made easier, when it is ready, its first week.
      Plan = Stairwell.value(:measures, :outlook, :week)

      class << self
        # @param piece [PieceInHand]
        # @return [Array<String>] measures that were taken
        def taken(piece) = piece.choices.dig("backwards", "measures").to_a

        # @param piece [PieceInHand] with these measures
        # @return [Hash{String => Phrase::Text}] the measures that were taken, in words
        def in_words(piece) =
          taken(piece).to_h { |id| [id, Phrase["studio.backwards.#{id}", **tempo(id, piece)]] }

        # @param piece [PieceInHand]
        # @return [Boolean] whether the others rest until it is due
        def alone?(piece) = !piece.due_on.nil? && taken(piece).include?("others_rest")

        # @param piece [PieceInHand]
        # @return [Rows::Deadline, nil] nil where it is planned as usual
        def deadline(piece)
          measures = taken(piece)
          return if measures.empty? || piece.due_on.nil?

          Rows::Deadline.new(
            due_on: piece.due_on,
            same_day: measures.include?("same_day"),
            one_day: measures.include?("one_day")
          )
        end

        # @param piece [PieceInHand]
        # @return [PieceInHand] as it was before any of them, its steps as they are
        def usual(piece)
          before = piece.choices["backwards"] or return piece

          kept = piece.choices.except("backwards", *CHOICES)
          was = before.fetch("usual")
          piece.with(
            target_tempo: was.fetch("target_tempo"),
            introduce_first: was.fetch("introduce_first"),
            choices: kept.merge(was.fetch("choices"))
          )
        end

        # @param piece [PieceInHand] as it is usually
        # @param measures [Array<String>]
        # @return [PieceInHand] with them, its steps as they are
        def applied(piece, measures)
          return piece if measures.empty?

          was = {
            "target_tempo" => piece.target_tempo,
            "introduce_first" => piece.introduce_first,
            "choices" => piece.choices.slice(*CHOICES)
          }
          eased = (MEASURES & measures).inject(piece) { |found, id| eased(found, id) }
          eased.with(
            choices:
              eased.choices.merge(
                "backwards" => {
                  "measures" => MEASURES & measures,
                  "usual" => was
                }
              )
          )
        end

        private

        def tempo(id, piece) = (id == "slower") ? { tempo: piece.target_tempo } : {}

        def eased(piece, id)
          choices = piece.choices
          case id
          when "slower"
            piece.with(
              target_tempo: slower(piece.target_tempo),
              choices: { "learnt_at" => piece.target_tempo }.merge(choices)
            )
          when "plain"
            plain = { "memory" => false, "pedal" => "none", "repeats" => "not_taken" }
            piece.with(choices: choices.merge(plain))
          when "left_blocked"
            piece.with(choices: choices.merge("texture" => "left_blocked"))
          when "all_now"
            piece.with(introduce_first: false)
          when "without_last"
            last = Assigned.page(piece.newest_page.map, choices).sections.last&.label
            piece.with(choices: choices.merge("without" => [*choices["without"], last].compact))
          else
            piece
          end
        end

        def slower(tempo)
          most = (tempo * Constants::SLOWER_BY_THEN).floor
          Practice::Metronome.at_most(most).clamp(
            Constants::TARGET_TEMPOS.min,
            Constants::TARGET_TEMPOS.max
          )
        end
      end

      # @param record [Record]
      # @param piece [PieceInHand] that has a date
      def initialize(record, piece)
        @piece = piece
        @record = record
        @due = piece.due_on
      end

      # @return [Boolean] whether the usual path doesn't get there with every day kept
      def needed? = !@due.nil? && !reaches?([])

      # @return [Plan] as it is usually learnt
      def usual = plan([])

      # @return [Plan] that gets there, or comes as near as it can
      def in_time = plan(measures)

      # What is needed: each as far as it brings the piece nearer, until it is there in time.
      # @return [Array<String>]
      def measures
        return [] unless @due

        @measures ||=
          MEASURES.inject([]) do |taken, id|
            break taken if reaches?(taken)

            (days([*taken, id]) < days(taken)) ? [*taken, id] : taken
          end
      end

      # @param measures [Array<String>] none to learn it as usual again
      # @return [Record]
      # @raise [RefusedError] where nothing would be left to learn, or it has no date
      def with(measures)
        if measures.any? && @due.nil?
          raise RefusedError.new(
                  Phrase["studio.backwards.no_date"],
                  code: :no_date,
                  field: "due_on"
                )
        end

        (@with ||= {})[measures] ||= begin
          piece = Backwards.applied(Backwards.usual(@piece), measures)
          @record.with_piece(TakeOver.renewed(@record, piece))
        end
      end

      private

      def plan(measures)
        record = with(measures)
        Plan.new(
          measures: measures,
          outlook: Outlooks.new(record).to_h.fetch(@piece.id),
          week: Workload.new(record).planned_week
        )
      end

      def reaches?(measures)
        ending = ending(measures)
        !ending.nil? && ending.date <= @due
      end

      # Practice days it takes; very many where it is never done.
      def days(measures) = ending(measures)&.days || Float::INFINITY

      def ending(measures)
        (@endings ||= {})[measures] ||= Workload.new(with(measures)).in_rows.endings(nil, 1)[
          @piece.id
        ]
      rescue RefusedError
        nil
      end
    end
  end
end
