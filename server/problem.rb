# frozen_string_literal: true

module Stairwell
  module Server
    # An error a client can act on, as problem+json (RFC 9457). `detail` is
    # written for a teacher: what, where, and how to mend it.
    class Problem < StandardError
      TYPE = "application/problem+json"
      TITLES = {
        400 => "Not understood", 401 => "Sign in first", 403 => "Not allowed", 404 => "Not found", 405 => "Not possible here",
        409 => "Changed meanwhile", 413 => "Too large", 415 => "Wrong kind of content", 422 => "Cannot be used",
        423 => "Locked", 429 => "Too often", 500 => "Our mistake", 503 => "Not now"
      }.freeze
      # What the core refuses because of how things stand, not because of what was sent.
      CONFLICTS = %i[assigned_already has_sections].freeze

      attr_reader :status, :code, :field, :more

      # @param status [Integer]
      # @param detail [String]
      # @param code [String] stable name
      # @param field [String, nil] which field of the request
      # @param more [Hash] further members
      def initialize(status, detail, code:, field: nil, **more)
        super(detail)
        @status = status
        @code = code
        @field = field
        @more = more
      end

      # @param error [Stairwell::Error] of the core
      # @return [Problem]
      def self.of(error)
        case error
        when MissingError then not_found(error.message)
        when RefusedError then new(CONFLICTS.include?(error.code) ? 409 : 422, error.message, code: error.code.to_s, field: error.field)
        when UnreadableError then new(422, error.message, code: error.code.to_s)
        else new(422, error.message, code: "contradiction")
        end
      end

      def self.not_found(what) = new(404, "There is no such #{what} in this studio. It may have been put away.", code: "not_found")

      # @param kept [Object] what is stored now
      # @param sent [Object] what the client wanted to store
      def self.stale(what, kept:, sent:)
        new(409, "Someone else changed #{what} while you were at work on it. Choose which one to keep.", code: "stale",
          kept: kept, sent: sent)
      end

      # @return [Problem] others are at work on the same student all the time
      def self.busy = new(503, "Others are writing about this student at this moment. Nothing was changed; try again.", code: "busy")

      # @param text [String]
      # @param field [String]
      # @return [Date]
      # @raise [Problem] 422 for a date that does not exist
      def self.date(text, field)
        Date.iso8601(text)
      rescue Date::Error
        raise new(422, "“#{text}” is no date.", code: "date", field: field)
      end

      # @return [Hash{Symbol => Object}]
      def to_h
        {title: TITLES.fetch(status, "Problem"), status: status, code: code, detail: message, field: field}.compact.merge(more)
      end

      # @return [Array] a Rack response
      def to_rack = [status, {"content-type" => TYPE}, [JSON.generate(to_h)]]
    end
  end
end
