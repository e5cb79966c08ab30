# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # What holds for the whole studio: holidays, words, a caution of its own; and
      # planning everyone's week.
      class StudioSettings
        # @param context [StudioContext]
        def initialize(context)
          @context = context
        end

        # @return [Hash] see the contract's StudioSettings
        def show
          row, run =
            @context.read do |tables|
              [
                tables.db[:studios].first(id: @context.studio_id),
                tables[:plan_runs].order(Sequel.desc(:id)).first
              ]
            end
          {
            holidays: row[:holidays].to_a.map(&:to_h),
            locale: row[:locale],
            caution: row[:caution],
            own_students_only: row[:own_students_only],
            promises:
              Planning::Promises
                .load(Repositories::Learnt.of(row, @context.today)[:promises].to_h)
                .to_h
                .slice(:known, :held),
            run: run&.slice(:total, :done, :failed)&.merge(finished: !run[:finished_at].nil?)
          }
        end

        # @param values [Hash] of :holidays (stretches {from:, to:}), :locale, :caution (nil
        #   for none)
        # @return [Hash] as {#show}; other holidays plan everyone's week again
        # @raise [RefusedError] for a stretch or a language that is none
        def change(values)
          Planning::Away.read(values[:holidays], field: "holidays") if values[:holidays]
          Languages.known!(values[:locale]) if values[:locale]
          changed = values.slice(:locale, :own_students_only)
          changed[:holidays] = Sequel.pg_jsonb(values[:holidays]) if values[:holidays]
          if values.key?(:caution)
            changed[:caution] = values[:caution].to_s.strip.then { |text| text unless text.empty? }
          end
          keep(changed) if changed.any?
          values[:holidays] ? plan_everyone(anew: true) : show
        end

        # @param text [String] of a calendar file
        # @return [Hash] see the contract's readHolidays
        # @raise [UnreadableError]
        def read_holidays(text) = ForeignFile.holidays(text, @context.today)

        # Asked for five times it is one run; with other holidays what is planned already is
        # not good any more, so that another follows.
        # @param anew [Boolean] also where a run is under way
        # @return [Hash] as {#show}
        def plan_everyone(anew: false)
          @context.write do |tables|
            tables.db.get(
              Sequel.function(
                :pg_advisory_xact_lock,
                Limits::PLANNING_LOCK,
                Sequel.cast(@context.studio_id, :integer)
              )
            )
            next if !anew && under_way?(tables)

            run =
              tables.add(
                :plan_runs,
                started_by: @context.account_id,
                total: Repositories::Students.at_work(tables).count
              )
            Jobs::PlanStudio.enqueue(@context.studio_id, @context.account_id, run[:id])
          end
          show
        end

        private

        # Pages are kept in the studio's language, so another one has them made anew.
        def keep(changed)
          @context.write do |tables|
            tables.db[:studios].where(id: @context.studio_id).update(changed)
            Jobs::DrawPages.enqueue(@context.studio_id) if changed[:locale]
          end
        end

        # One that has not ended after so long has been lost.
        def under_way?(tables)
          tables[:plan_runs]
            .where(finished_at: nil)
            .where(
              Sequel[:started_at] >
                Sequel.lit("clock_timestamp() - ? * interval '1 second'", Limits::PLANNING_SECONDS)
            )
            .any?
        end
      end
    end
  end
end
