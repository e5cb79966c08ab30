# frozen_string_literal: true

require "monitor"

module Stairwell
  module Server
    module Repositories
      # Acts on a student's record: it is read, the core says what follows, and that is
      # kept in one short transaction, unless someone was faster; then it is computed
      # again from how things stand now.
      class Changes
        # Someone was faster.
        Stale = Class.new(StandardError)

        # @param context [StudioContext]
        def initialize(context)
          @context = context
          @records = Records.new(context)
        end

        # What was said of one who has left stays as it was until they are back.
        # @param student [Studio::Student]
        # @return [void]
        # @raise [Problem] 409
        def self.here!(student)
          return unless student.left_on

          day = Phrase.day(student.left_on, :day_and_month)
          raise Problem.new(
                  409,
                  Phrase["server.changes.left", name: student.name, day: day],
                  code: "left"
                )
        end

        # @param student_id [Integer]
        # @param also [Integer, nil] see {Records#find}
        # @param more [Proc] reads more in the same snapshot; of {Tables}
        # @param keep [Proc] keeps more in the same transaction; of {Tables} and the Change
        # @yieldparam record [Studio::Record]
        # @yieldreturn [Studio::Change]
        # @return [Studio::Change] as it was kept
        # @raise [MissingError, RefusedError]
        def act(student_id, also: nil, more: nil, keep: nil)
          turn(student_id).synchronize do
            tries = 0
            begin
              record = @records.find(student_id, also: also, &more)
              self.class.here!(record.student)
              change = yield record
              keep(change, keep) unless change.none? && keep.nil?
              change
            rescue Stale
              raise Problem.busy if (tries += 1) >= Limits::TRIES

              # Another process was faster: whoever waits longest differs from time to time.
              sleep(rand * Limits::TRY_PAUSE)
              retry
            end
          end
        end

        private

        # Acts on one student take turns in a process, so that nothing is computed in vain. Two
        # students may share a turn.
        TURNS = Array.new(64) { Monitor.new }.freeze
        private_constant :TURNS

        def turn(student_id) = TURNS[[@context.studio_id, student_id].hash % TURNS.size]

        def keep(change, more)
          rows = Rows.new(change)
          @context.write(about: { student_id: change.record.student.id }) do |tables|
            unchanged!(tables, change.record)
            Keep.new(tables, @context, rows).call
            more&.call(tables, change)
          end
        end

        # Holds the student until the transaction ends.
        def unchanged!(tables, record)
          version = tables[:students].where(id: record.student.id).for_update.get(:record_version)
          raise Stale unless version == record.version
        end

        # What is to be kept, as columns: made before the transaction begins.
        class Rows
          attr_reader :change, :week, :assigned, :pieces, :former, :overrides, :promised

          # @param change [Studio::Change]
          def initialize(change)
            @change = change
            @week =
              change.week &&
                {
                  starts: change.week.planned_from,
                  next_lesson: change.week.next_lesson,
                  plan: Sequel.pg_jsonb(Planning::WeekDocument.dump(change.week))
                }
            @assigned = change.assigned.map { |piece| { id: piece.id, **columns(piece) } }
            @pieces = change.pieces.to_h { |piece| [piece.id, columns(piece)] }
            @former = change.former.transform_values { |one| one && Sequel.pg_jsonb(one.to_data) }
            @promised =
              change.promised.map do |id, one|
                {
                  assignment_id: id,
                  planned: one.planned,
                  likely: one.likely,
                  cautious: one.cautious,
                  due_on: one.due_on,
                  stretch: one.stretch
                }
              end
            next_lesson, seen, after = change.overrides
            if change.overrides
              @overrides = [
                next_lesson,
                seen,
                after.map { |one| Planning::OverrideDocument.dump(one) }
              ]
            end
          end

          private

          def columns(piece)
            piece
              .to_h
              .slice(
                :revision,
                :routine,
                :hand_order,
                :target_tempo,
                :priority,
                :introduce_first,
                :due_on
              )
              .merge(
                piece_id: piece.piece_id,
                choices: Sequel.pg_jsonb(piece.choices),
                steps: Sequel.pg_jsonb(piece.progress.own.map(&:to_data))
              )
          end
        end

        # Keeps the rows of a change.
        class Keep
          TABLES = {
            results: %i[lesson_results recorded_by],
            marks: %i[practice_marks entered_by],
            introductions: %i[introductions made_by],
            simplifications: %i[simplifications made_by]
          }.freeze

          # @param tables [Tables]
          # @param context [StudioContext]
          # @param rows [Rows]
          def initialize(tables, context, rows)
            @tables = tables
            @context = context
            @rows = rows
            @change = rows.change
            @student_id = @change.record.student.id
          end

          # @return [void]
          def call
            @rows.assigned.each { |row| assign(row) }
            @rows.pieces.each { |id, columns| @tables[:assignments].where(id: id).update(columns) }
            @rows.former.each do |id, former|
              @tables[:assignments].where(id: id).update(former: former)
            end
            @change.ended.each { |id, (ended, keep_for)| finish(id, ended, keep_for) }
            @change.added.each { |kind, rows| add(kind, rows) }
            @change.layers.each do |piece_id, script|
              Layers.new(@tables).put(
                piece_id,
                { student_id: @student_id },
                script,
                @context.account_id
              )
            end
            @change.extra_work.each do |verb, work|
              ExtraWorks.new(@tables).keep(@student_id, verb, work, @context.today)
            end
            Students.new(@tables).keep(@change.student) if @change.student
            Students.new(@tables).hold(@student_id, @change.held) if @change.held
            @change.appointments.each do |one|
              Appointments.new(@tables).keep(@student_id, one, by: @context.account_id)
            end
            override if @rows.overrides
            @tables.add(:week_plans, student_id: @student_id, **@rows.week) if @rows.week
            @tables.db[:promised_dates].multi_insert(
              @rows.promised.map do |row|
                {
                  studio_id: @tables.studio_id,
                  student_id: @student_id,
                  day: @context.today,
                  **row
                }
              end
            )
          end

          private

          def assign(row)
            @tables.db[:assignments].insert(
              studio_id: @tables.studio_id,
              student_id: @student_id,
              assigned_by: @context.account_id,
              assigned_at: @context.clock.now,
              **row
            )
          rescue Sequel::UniqueConstraintViolation
            raise Problem.new(
                    409,
                    Phrase["server.changes.this_student_had_this_piece_before"],
                    code: "assigned_already",
                    field: "piece_id"
                  )
          end

          def finish(id, ended, keep_for)
            @tables[:assignments].where(id: id).update(
              ended: ended,
              ended_on: (@context.today if ended),
              keep_for: keep_for
            )
          end

          # Keys are the client's: the same one twice is one row.
          def add(kind, rows)
            table, by = TABLES.fetch(kind)
            whole =
              rows.map do |row|
                {
                  :studio_id => @tables.studio_id,
                  :student_id => @student_id,
                  by => @context.account_id,
                  **row
                }
              end
            @tables.db[table].insert_conflict.multi_insert(whole)
          end

          def override
            next_lesson, seen, after = @rows.overrides
            key = { student_id: @student_id, next_lesson: next_lesson }
            if @tables.revise_or_add(
                 :week_overrides,
                 key,
                 seen: seen.version,
                 overrides: Sequel.pg_jsonb(after)
               )
              return
            end

            # None is there where a client claims to have seen what never was.
            now = @tables[:week_overrides].first(key) || { overrides: [], version: 0 }
            raise Problem.stale(
                    :week,
                    Phrase["server.changes.this_week"],
                    kept: {
                      list: now[:overrides].map(&:to_h),
                      version: now[:version]
                    },
                    sent: {
                      list: after
                    }
                  )
          end
        end
        private_constant :Rows, :Keep
      end
    end
  end
end
