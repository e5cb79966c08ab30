# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # What guardians agreed to, and how long what is kept of those who left is kept.
      class Keeping
        # What decides when there is something to be done.
        ENDS = %i[left_on longer_until erasing_told_on].freeze
        private_constant :ENDS

        # @param row [Hash] of a student
        # @param studio [Hash] its row
        # @return [Studio::Keeping]
        def self.of(row, studio) =
          Studio::Keeping.new(
            left_on: row[:left_on],
            months: studio[:keep_months],
            longer_until: row[:longer_until],
            told_on: row[:erasing_told_on]
          )

        # @param row [Hash] of a student
        # @param studio [Hash] its row
        # @return [Hash] see the contract's Consent
        def self.consent(row, studio)
          {
            asked: studio[:asks_consent],
            by: row[:consent_by],
            records_on: row[:consent_records_on]&.to_s,
            recordings_on: row[:consent_recordings_on]&.to_s
          }
        end

        # @param context [StudioContext]
        def initialize(context)
          @context = context
        end

        # @return [Hash] see the contract's Keeping
        def show
          studio, missing, gone =
            @context.read do |tables|
              [
                tables.db[:studios].first(id: @context.studio_id),
                Repositories::Students
                  .here(tables)
                  .where(consent_records_on: nil)
                  .order(:name)
                  .select(:id, :name)
                  .all,
                gone(tables)
              ]
            end
          ending =
            gone
              .map { |row| [row, self.class.of(row, studio)] }
              .select { |_, keeping| keeping.ends_on }
          {
            asks_consent: studio[:asks_consent],
            keep_months: studio[:keep_months],
            missing: missing,
            ending:
              ending
                .sort_by { |row, keeping| [keeping.ends_on, row[:id]] }
                .map { |row, keeping| ending(row, keeping) }
          }
        end

        # @param values [Hash] asks_consent:, keep_months: (nil: nothing is erased by itself),
        #   either
        # @return [Hash] as {#show}
        def change(values)
          studio = @context.studio.merge(values)
          days =
            @context
              .read { |tables| gone(tables) }
              .map { |row| [row, self.class.of(row, studio).next_on] }
          @context.write do |tables|
            tables.db[:studios].where(id: @context.studio_id).update(values)
            days.each { |row, day| lay(tables, row, day) } if values.key?(:keep_months)
          end
          show
        end

        # @param id [Integer]
        # @param by [String] whose word it is
        # @param records [Boolean] that what is written of the student may be kept
        # @param recordings [Boolean] that recaps may be recorded
        # @return [void] consent that was given before keeps its day
        def consent(id, by:, records:, recordings:)
          @context.write(about: { student_id: id }) do |tables|
            Repositories::Students.new(tables).find(id)
            days =
              {
                consent_records_on: records,
                consent_recordings_on: recordings
              }.to_h do |column, given|
                [column, given ? Sequel.function(:coalesce, column, @context.today) : nil]
              end
            tables[:students].where(id: id).update(consent_by: by.strip, **days)
          end
        end

        # @param id [Integer]
        # @param months [Integer] for which it is kept longer than it would be, from today at least
        # @return [Hash] as {#show}
        # @raise [MissingError]
        def longer(id, months)
          row = found(id)
          date = [self.class.of(row, @context.studio).ends_on, @context.today].compact.max >> months
          day =
            self
              .class
              .of(row.merge(longer_until: date, erasing_told_on: nil), @context.studio)
              .next_on
          @context.write do |tables|
            changed(tables, row, longer_until: date, erasing_told_on: nil) && lay(tables, row, day)
          end
          show
        end

        # What is to be done today for one who has left; and the next time is laid. Where it was
        # changed in between, whoever changed it has laid it.
        # @param id [Integer]
        # @return [void]
        def tend(id)
          row = @context.read { |tables| tables[:students].first(id: id) } or return
          keeping = self.class.of(row, @context.studio)
          case keeping.due(@context.today)
          when :erase
            erase(row)
          when :tell
            tell(row, keeping.with(told_on: @context.today).erase_on)
          else
            again(row, keeping.next_on)
          end
        end

        private

        def gone(tables) = tables[:students].exclude(left_on: nil).order(:left_on, :id).all

        def found(id) = @context.read { |tables| Repositories::Students.new(tables).find(id) }

        def lay(tables, row, day) = Jobs::EndKeeping.lay(tables, row[:id], day)

        # @return [Boolean] whether it was still as it was seen
        def changed(tables, row, **values) =
          tables[:students].where(row.slice(:id, *ENDS)).update(values).positive?

        def ending(row, keeping)
          row.slice(:id, :name).merge(
            left_on: keeping.left_on.to_s,
            ends_on: keeping.ends_on.to_s,
            erase_on: keeping.erase_on&.to_s
          )
        end

        # Looked at before its day.
        def again(row, day) = @context.write(about: nil) { |tables| lay(tables, row, day) }

        # @param day [Date] of erasing
        def tell(row, day)
          words = { name: row[:name], day: Phrase.day(day, :with_year) }
          letter = {
            subject: Phrase["server.keeping.subject", **words].to_s,
            body:
              Phrase[
                "server.keeping.body",
                **words,
                studio: @context.studio[:name],
                address: @context.settings.address
              ].to_s
          }
          @context.write(about: { student_id: row[:id] }) do |tables|
            next unless changed(tables, row, erasing_told_on: @context.today)

            letters =
              Repositories::Members
                .new(tables)
                .owners
                .map do |id, address|
                  Repositories::Outbox.new(tables).add(
                    row[:id],
                    recipient: address,
                    **letter,
                    by: id
                  )
                end
            if @context.settings.smtp
              letters.each { |one| Jobs::SendMail.enqueue(@context.studio_id, one[:id]) }
            end
            lay(tables, row, day)
          end
        end

        # @return [Boolean] whether the studio keeps records as long as it did a moment ago
        def still(tables) =
          !tables.db[:studios]
            .where(id: @context.studio_id, keep_months: @context.studio[:keep_months])
            .for_share
            .get(:id)
            .nil?

        def erase(row)
          @context.write do |tables|
            next unless still(tables) && changed(tables, row, longer_until: row[:longer_until])

            requests = Repositories::ErasureRequests.new(tables)
            next if requests.pending(row[:id])

            requests.add(row[:id], by: nil)
            Repositories::History.new(tables).add(
              day: @context.today,
              account_id: nil,
              operation: "endKeeping",
              student_id: row[:id]
            )
          end
        end
      end
    end
  end
end
