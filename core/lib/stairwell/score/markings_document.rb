# frozen_string_literal: true

module Stairwell
  module Score
    # Markings as plain data, and back. Every member is a list of values (but
    # `track`, a number); this table says which fields are more than plain.
    module MarkingsDocument
      # What the document calls the kinds of a section's notes.
      NOTE_KINDS = {
        "fingering" => :fingering,
        "touch" => :articulation,
        "movement" => :movement
      }.freeze
      WRITE = {
        rational: :to_s.to_proc,
        symbol: :to_s.to_proc,
        pitch: :to_s.to_proc,
        note_kind: ->(kind) { NOTE_KINDS.key(kind) },
        span: ->(span) do
          {
            "from" => span.from,
            "to" => span.to,
            "from_beat" => span.from_beat&.to_s,
            "to_beat" => span.to_beat&.to_s
          }.compact
        end
      }.freeze
      READ = {
        rational: ->(text) { Rational(text) },
        symbol: :to_sym.to_proc,
        pitch: ->(text) { Pitch.parse(text) },
        note_kind: ->(name) { NOTE_KINDS.fetch(name) },
        span: ->(data) do
          Span.new(
            from: data["from"],
            to: data["to"],
            from_beat: data["from_beat"] && Rational(data["from_beat"]),
            to_beat: data["to_beat"] && Rational(data["to_beat"])
          )
        end
      }.freeze
      VALUES = {
        fermatas: [Fermata, { counts: :rational, beat: :rational, held: :rational }],
        pass_notes: [PassNote, { span: :span, hand: :symbol }],
        starts: [Start, { hand: :symbol, pitch: :pitch, beat: :rational }],
        hands: [Hands, { use: :symbol, span: :span }],
        dynamics: [Dynamic, { span: :span }],
        verses: [Verse, { span: :span }],
        spots: [Spot, { span: :span, hand: :symbol }],
        joins: [Join, {}],
        octaves: [Octave, { span: :span, hand: :symbol }],
        dismissed: [Spot, { span: :span, hand: :symbol }],
        section_notes: [SectionNote, { kind: :note_kind }],
        tempos: [TempoChange, { mark_unit: :rational }],
        harmony: [Told, { span: :span, hand: :symbol }],
        patterns: [Told, { span: :span, hand: :symbol }],
        parts: [Told, { span: :span, hand: :symbol }]
      }.freeze
      # Fields that are written only where they say something.
      SELDOM = %i[guide].freeze
      SPANS = %i[ritardandi pedal ornaments hard].freeze

      module_function

      # @param markings [Markings]
      # @return [Hash{String => Object}] JSON-ready; only what is said
      def dump(markings)
        found =
          VALUES.to_h do |member, (_, fields)|
            [member, markings[member].map { |one| write(one, fields) }]
          end
        SPANS.each do |member|
          found[member] = markings[member].map { |one| WRITE[:span].call(one) }
        end
        found
          .merge(introduces: markings.introduces, track: markings.track)
          .reject { |_, value| value.nil? || value == [] }
          .transform_keys(&:to_s)
      end

      # @param data [Hash{String => Object}]
      # @return [Markings]
      def load(data)
        found =
          VALUES.to_h do |member, (kind, fields)|
            [member, data.fetch(member.to_s, []).map { |one| read(one, kind, fields) }]
          end
        SPANS.each do |member|
          found[member] = data.fetch(member.to_s, []).map { |one| READ[:span].call(one) }
        end
        Markings.new(**found, introduces: data.fetch("introduces", []), track: data["track"])
      end

      def write(one, fields)
        one
          .to_h
          .reject { |key, value| SELDOM.include?(key) && !value }
          .to_h do |key, value|
            [key.to_s, (fields[key] && !value.nil?) ? WRITE[fields[key]].call(value) : value]
          end
      end

      def read(data, kind, fields)
        kind.new(
          **data.to_h do |key, value|
            [
              key.to_sym,
              (fields[key.to_sym] && !value.nil?) ? READ[fields[key.to_sym]].call(value) : value
            ]
          end
        )
      end

      private_class_method :write, :read
    end
  end
end
