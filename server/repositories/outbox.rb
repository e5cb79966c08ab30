# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # Mail as it would be sent.
      class Outbox
        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
        end

        # @return [Array<Hash>] the newest first
        def list(limit: 100) = @tables[:outbox].reverse(:id).limit(limit).all

        # @param id [Integer]
        # @return [Hash] the row
        # @raise [MissingError]
        def find(id) =
          @tables[:outbox].first(id: id) || raise(MissingError, Phrase["missing.letter"])

        # @param id [Integer]
        # @return [void] what went wrong before is forgotten
        def forget_trouble(id) = @tables[:outbox].where(id: id).update(trouble: nil)

        # @param since [Date]
        # @return [Array<Hash>] recaps that were begun, of lessons that are not finished:
        #   :student_id, :student, :day
        def drafts(since) = lessons(since).where(finished_at: nil).exclude(recap: nil).all

        # @param since [Date]
        # @return [Array<Hash>] the newest lesson of each whose recap could go to nobody: no address
        #   of the student's or of a contact's
        def unaddressed(since)
          sent =
            @tables[:outbox]
              .where(Sequel[:outbox][:student_id] => Sequel[:lessons][:student_id])
              .where { Sequel.cast(made_at, :date) >= Sequel[:lessons][:day] }
          lessons(since)
            .exclude(finished_at: nil)
            .where(email: nil)
            .exclude(ADDRESS)
            .exclude(sent.exists)
            .distinct(:student_id)
            .order(:student_id, Sequel.desc(:day))
            .from_self
            .order(Sequel.desc(:day), :student)
            .all
        end

        ADDRESS = Sequel.lit("jsonb_path_exists(students.contacts, '$[*].email ? (@ != \"\")')")
        private_constant :ADDRESS

        # @return [Hash] the row
        def add(student_id, recipient:, subject:, body:, by:)
          @tables.add(
            :outbox,
            student_id: student_id,
            recipient: recipient,
            subject: subject,
            body: body,
            made_by: by
          )
        end

        private

        def lessons(since)
          @tables[:lessons]
            .join(:students, { studio_id: :studio_id, id: :student_id })
            .where(left_on: nil)
            .where { day >= since }
            .order(Sequel.desc(:day), :name)
            .select(:student_id, Sequel[:students][:name].as(:student), :day)
        end
      end
    end
  end
end
