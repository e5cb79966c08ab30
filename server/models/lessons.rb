# frozen_string_literal: true

module Stairwell
  module Server
    module Models
      # Lessons: what was told and noted, and whether they are finished. One for a
      # student and a day.
      class Lessons
        def initialize(desk)
          @desk = desk
        end

        # @return [Hash, nil] today's row
        def today(student_id) = @desk[:lessons].first(student_id: student_id, day: @desk.today)

        # @return [Hash] today's lesson as screens show it
        def show(student_id) = shown(today(student_id))

        # @return [Array<Hash>] finished ones, the newest first
        def history(student_id, limit: 30)
          @desk[:lessons].where(student_id: student_id).exclude(finished_at: nil).reverse(:day).limit(limit).all
        end

        # @param seen [Integer] version the client saw, 0 where there was none
        # @param values [Hash] :recap (nil takes the teacher's own words back), :notes
        # @return [Hash] as {#show}
        # @raise [Problem] 409 when someone else wrote meanwhile
        def save(student_id, values, seen:)
          kept = today(student_id)
          row = seen.zero? ? add(student_id, values) : change(kept, values, seen)
          shown(row || raise(Problem.stale("this lesson", kept: show(student_id), sent: values)))
        end

        # @return [Hash] the row
        def finish(student_id)
          row = today(student_id) || add(student_id, {})
          @desk[:lessons].where(id: row[:id]).returning.update(finished_by: @desk.account_id, finished_at: Sequel.function(:clock_timestamp), version: Sequel[:version] + 1).first
        end

        private

        def shown(row)
          return {recap: nil, notes: "", version: 0, finished: false, by: nil} unless row

          row.slice(:recap, :notes, :version).merge(finished: !row[:finished_at].nil?, by: other(row[:written_by]))
        end

        # @return [String, nil] the name of another teacher who wrote last
        def other(id) = (id && id != @desk.account_id) ? @desk.db[:accounts].where(id: id).get(:name) : nil

        def add(student_id, values)
          @desk.db[:lessons].insert_conflict.returning
            .insert(studio_id: @desk.studio_id, student_id: student_id, day: @desk.today, opened_by: @desk.account_id, written_by: @desk.account_id, **values.slice(:recap, :notes)).first
        end

        def change(kept, values, seen)
          return unless kept

          @desk[:lessons].where(id: kept[:id], version: seen).returning.update(version: seen + 1, written_by: @desk.account_id, **values.slice(:recap, :notes)).first
        end
      end

      # Books and the like that a student has at home.
      class Lendings
        def initialize(desk)
          @desk = desk
        end

        # @return [Array<Hash>] what is not back yet
        def out(student_id)
          @desk[:lendings].where(student_id: student_id, returned_on: nil).order(:id).map { |row| row.slice(:id, :title).merge(lent_on: row[:lent_on].to_s) }
        end

        # @return [void]
        def lend(student_id, title) = @desk.add(:lendings, student_id: student_id, title: title.strip, lent_on: @desk.today)

        # @return [void]
        # @raise [Problem] 404
        def take_back(student_id, id)
          back = @desk[:lendings].where(student_id: student_id, id: id, returned_on: nil).update(returned_on: @desk.today)
          raise Problem.not_found("lent thing with this student") if back.zero?
        end
      end

      # Mail as it would be sent.
      class Outbox
        def initialize(desk)
          @desk = desk
        end

        # @return [Array<Hash>] the newest first
        def list(limit: 100)
          @desk[:outbox].reverse(:id).limit(limit).map do |row|
            row.slice(:id, :recipient, :subject, :body, :trouble).merge(made_at: row[:made_at].utc.iso8601, sent_at: row[:sent_at]&.utc&.iso8601)
          end
        end

        # @return [Hash] the row
        def add(student_id, recipient:, subject:, body:)
          @desk.add(:outbox, student_id: student_id, recipient: recipient, subject: subject, body: body, made_by: @desk.account_id)
        end
      end
    end
  end
end
