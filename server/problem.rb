# frozen_string_literal: true

module Stairwell
  module Server
    # An error a client can act on, as problem+json (RFC 9457). `detail` is
    # written for a teacher: what, where, and how to mend it.
    class Problem < StandardError
      TYPE = "application/problem+json"
      TITLES = {
        400 => Phrase["server.problem.not_understood"],
        401 => Phrase["server.problem.sign_in_first"],
        403 => Phrase["server.problem.not_allowed"],
        404 => Phrase["server.problem.not_found"],
        405 => Phrase["server.problem.not_possible_here"],
        409 => Phrase["server.problem.changed_meanwhile"],
        413 => Phrase["server.problem.too_large"],
        415 => Phrase["server.problem.wrong_kind_of_content"],
        422 => Phrase["server.problem.cannot_be_used"],
        423 => Phrase["server.problem.locked"],
        429 => Phrase["server.problem.too_often"],
        500 => Phrase["server.problem.our_mistake"],
        503 => Phrase["server.problem.not_now"]
      }.freeze
      # What the core refuses because of how things stand, not because of what was sent.
      CONFLICTS = %i[assigned_already has_sections].freeze

      attr_reader :status, :code, :field, :more
      # @return [Phrase, String] `message` before it is said
      attr_reader :said

      # @param status [Integer]
      # @param detail [String]
      # @param code [String] stable name
      # @param field [String, nil] which field of the request
      # @param more [Hash] further members
      def initialize(status, detail, code:, field: nil, **more)
        super(detail)
        @said = detail
        @status = status
        @code = code
        @field = field
        @more = more
      end

      # @param error [Stairwell::Error] of the core
      # @return [Problem]
      def self.of(error)
        case error
        when MissingError
          not_found(error.message)
        when RefusedError
          new(
            CONFLICTS.include?(error.code) ? 409 : 422,
            error.message,
            code: error.code.to_s,
            field: error.field
          )
        when UnreadableError
          new(422, error.message, code: error.code.to_s)
        else
          new(422, error.message, code: "contradiction")
        end
      end

      def self.not_found(what) =
        new(404, Phrase["server.problem.there_is_no_such_in_this", what: what], code: "not_found")

      # Someone else was quicker.
      # @param what [Symbol] :page, :lesson, :student, :routine or :week
      # @param name [Phrase, String] what it is called
      # @param kept [Hash] what is stored now, see the contract's Kept
      # @param sent [Hash] what the client wanted to store
      # @return [Problem]
      def self.stale(what, name, kept:, sent:)
        new(
          409,
          Phrase["server.problem.someone_else_changed_while_you_were", what: name],
          code: "stale",
          kept: {
            what: what.to_s,
            **kept
          },
          sent: sent
        )
      end

      # @return [Problem] a key from the client that is another student's
      def self.key_used =
        new(409, Phrase["server.problem.key_used"], code: "key_used", field: "key")

      # @return [Problem] others are at work on the same student all the time
      def self.busy =
        new(503, Phrase["server.problem.others_are_writing_about_this_student"], code: "busy")

      # @param text [String]
      # @param field [String]
      # @return [Date]
      # @raise [Problem] 422 for a date that does not exist, or that nothing may have
      def self.date(text, field)
        Dates.read(text)
      rescue Date::Error
        raise new(422, Phrase["server.problem.is_no_date", text: text], code: "date", field: field)
      end

      # @return [Hash{Symbol => Object}]
      def to_h
        {
          title: TITLES.fetch(status, Phrase["server.problem.problem"]),
          status: status,
          code: code,
          detail: message,
          field: field
        }.compact.merge(more)
      end

      # @return [Array] a Rack response
      def to_rack = [status, { "content-type" => TYPE }, [JSON.generate(to_h)]]
    end
  end
end
