# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # Students' rows, and the core's value of one.
      class Students
        COLUMNS = %i[
          name
          practice_days
          minutes_a_day
          begin_per_day
          rows_a_week
          lesson_weekday
          lesson_time
          hand_order
          hand_span
          has_pedal
          warm_ups
          absent
          child
          introduce_first
          minutes_by_day
          note_names
          counting
          email
          locale
          reads
          instrument
          known
          class_name
          teacher_id
          lesson_minutes
          more_lessons
          contacts
        ].freeze

        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
        end

        # @param tables [Tables]
        # @return [Sequel::Dataset] those who have not gone
        def self.here(tables) = tables[:students].where(left_on: nil)

        # @param tables [Tables]
        # @return [Sequel::Dataset] those of them who do not pause
        def self.at_work(tables) = here(tables).where(paused_on: nil)

        # @param gone [Boolean] those who have gone, too
        # @return [Array<Hash>] with the teacher's name, in order of the week
        def list(gone: false)
          (gone ? @tables[:students] : self.class.here(@tables))
            .join(:accounts, id: :teacher_id)
            .select_all(:students)
            .select_append(Sequel[:accounts][:name].as(:teacher))
            .order(:lesson_weekday, :lesson_time, Sequel[:students][:name])
            .all
        end

        # @return [Hash] the row, with :erased_at where the record is to be erased
        # @raise [MissingError]
        def find(id)
          asked = @tables[:erasure_requests].where(student_id: id, stopped_at: nil)
          @tables[:students]
            .where(id: id)
            .select_all(:students)
            .select_append(asked.select(:due_at).as(:erased_at))
            .first || raise(MissingError, Phrase["missing.student"])
        end

        # @param id [Integer]
        # @param on [Date, nil] the day they left; nil when they are back
        # @return [void]
        # @raise [MissingError]
        def leave(id, on)
          here = on ? {} : { longer_until: nil, erasing_told_on: nil }
          changed =
            @tables[:students].where(id: id).update(
              left_on: on && Sequel.function(:coalesce, :left_on, on),
              version: Sequel[:version] + 1,
              **here
            )
          raise MissingError, Phrase["missing.student"] if changed.zero?
        end

        # @param id [Integer]
        # @param values [Hash] paused_on:, absent:
        # @return [void]
        def pause(id, **values) =
          @tables[:students].where(id: id).update(
            version: Sequel[:version] + 1,
            **columns(values),
            paused_on: values[:paused_on]
          )

        # @param id [Integer]
        # @return [Array<Hash>] brothers and sisters who are here
        def family(id)
          own = @tables[:students].where(id: id).select(:family_id)
          self.class.here(@tables).where(family_id: own).exclude(id: id).order(:name, :id).all
        end

        # @param id [Integer]
        # @param other [Integer, nil] whose brother or sister they are; nil for nobody's
        # @return [void]
        def join_family(id, other)
          return @tables[:students].where(id: id).update(family_id: nil) unless other
          if id == other
            raise Problem.new(
                    422,
                    Phrase["server.students.own_family"],
                    code: "family",
                    field: "with"
                  )
          end

          family = find(other)[:family_id] || @tables.add(:families)[:id]
          @tables[:students].where(id: [id, other]).update(family_id: family)
        end

        # @param values [Hash] of {COLUMNS}
        # @param key [String, nil] from the client; the same one twice is one student
        # @return [Hash] the row
        def add(values, teacher_id:, today:, key: nil)
          row = {
            studio_id: @tables.studio_id,
            key: key,
            came_on: today,
            **columns({ teacher_id: teacher_id }.merge(values))
          }
          Classes.new(@tables).named(row) if row[:class_name]
          @tables.db[:students]
            .insert_conflict(target: %i[studio_id key])
            .returning
            .insert(**row)
            .first || @tables[:students].first(key: key)
        end

        # @param seen [Integer] version the client saw
        # @return [Hash, nil] the row; nil when it was changed meanwhile
        def change(id, values, seen:)
          found = columns(values)
          Classes.new(@tables).named(find(id).merge(found)) if found[:class_name]
          @tables.revise(@tables[:students].where(id: id), seen: seen, **found)
        end

        # @param student [Studio::Student] whose days or minutes an act changed
        # @return [void]
        def keep(student)
          values =
            columns(
              student.to_h.slice(:practice_days, :minutes_a_day, :minutes_by_day, :begin_per_day)
            )
          @tables[:students].where(id: student.id).update(version: Sequel[:version] + 1, **values)
        end

        # @param held [Hash{Symbol => Float}] see {Studio::Student}
        # @return [void]
        def hold(id, held) = @tables[:students].where(id: id).update(held: Sequel.pg_jsonb(held))

        # @param row [Hash]
        # @param usage [String] of the studio's words
        # @return [Studio::Student]
        def self.value(row, usage)
          Studio::Student.new(
            **row.slice(
              :id,
              :name,
              :minutes_a_day,
              :begin_per_day,
              :rows_a_week,
              :lesson_weekday,
              :lesson_minutes,
              :hand_order,
              :hand_span,
              :has_pedal,
              :warm_ups,
              :child,
              :introduce_first,
              :reads,
              :paused_on,
              :left_on
            ),
            came_on: row[:came_on],
            practice_days: row[:practice_days].to_a,
            lesson_time: time(row[:lesson_time]),
            note_names: row[:note_names].to_sym,
            counting: row[:counting].to_sym,
            known: row[:known].to_a,
            minutes_by_day:
              row[:minutes_by_day].to_h.to_h { |day, minutes| [day.to_s.to_i, minutes] },
            away: away(row),
            more_lessons: more_lessons(row),
            locale: (row[:locale] || usage).to_sym,
            held: row[:held].to_h.to_h { |kind, speed| [kind.to_sym, speed] }
          )
        end

        # @param row [Hash]
        # @return [Planning::Away] absences
        def self.away(row) = Planning::Away.load(row[:absent].to_a.map(&:to_h))

        def self.more_lessons(row) =
          row[:more_lessons].to_a.map do |one|
            Studio::LessonTime.new(
              **one.to_h.transform_keys(&:to_sym).slice(*Studio::LessonTime.members)
            )
          end

        # @param row [Hash]
        # @return [Array<Integer>] accounts of all who teach them every week
        def self.teachers(row) =
          [row[:teacher_id], *more_lessons(row).filter_map(&:teacher_id)].uniq

        # @param row [Hash]
        # @param today [Date]
        # @return [Array<Integer>] those, and whoever holds a lesson or stands in today
        def teachers_on(row, today)
          own = self.class.teachers(row)
          holding =
            @tables[:appointments]
              .where(student_id: row[:id], day: today, left_out: false)
              .exclude(teacher_id: nil)
              .select_map(:teacher_id)
          own | holding | Covers.new(@tables).standing_in(own | holding, today)
        end

        # @param time [Time, String]
        # @return [String] such as "16:30"
        def self.time(time) = time.is_a?(String) ? time : time.strftime("%H:%M")

        private

        def columns(values)
          found = values.slice(*COLUMNS)
          [found[:teacher_id], *found[:more_lessons].to_a.map { |one| one[:teacher_id] }].compact
            .each { |id| Members.new(@tables).teaches!(id) }
          if found[:practice_days]
            found[:practice_days] = Sequel.pg_array(found[:practice_days].uniq.sort, :integer)
          end
          %i[absent minutes_by_day more_lessons contacts].each do |name|
            found[name] = Sequel.pg_jsonb(found[name]) if found[name]
          end
          if found[:known]
            found[:known] = Sequel.pg_array(found[:known].map(&:strip).reject(&:empty?).uniq, :text)
          end
          if found.key?(:class_name)
            found[:class_name] = found[:class_name].to_s.strip.then do |name|
              name unless name.empty?
            end
          end
          found
        end
      end
    end
  end
end
