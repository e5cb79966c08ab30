# frozen_string_literal: true

module Stairwell
  module Server
    module Models
      # Students and the pieces they have been given.
      class Students
        COLUMNS = %i[name practice_days minutes_a_day begin_per_day lesson_weekday lesson_time hand_order hand_span has_pedal warm_ups absent introduce_first minutes_by_day note_names email terms reads instrument known class_name].freeze

        def initialize(desk)
          @desk = desk
        end

        # @return [Array<Hash>] with the teacher's name, in order of the week
        def list
          @desk[:students].join(:accounts, id: :teacher_id).select_all(:students)
            .select_append(Sequel[:accounts][:name].as(:teacher)).order(:lesson_weekday, :lesson_time, Sequel[:students][:name]).all
        end

        # @return [Hash]
        # @raise [Problem] 404
        def find(id) = @desk[:students].first(id: id) || raise(Problem.not_found("student"))

        # @return [Hash]
        def add(values)
          # Children are shown each section at a lesson, unless the teacher says
          # otherwise.
          introduce_first = values.fetch(:begin_per_day) <= Constants::BEGIN_PER_DAY[:child]
          @desk.add(:students, teacher_id: @desk.account_id, **columns({introduce_first: introduce_first}.merge(values)))
        end

        # @return [Hash]
        # @raise [Problem] 409 when the row was changed since the client saw it
        def change(id, values, seen:)
          changed = @desk[:students].where(id: id, version: seen).returning.update(version: seen + 1, **columns(values)).first
          return changed if changed

          kept = find(id)
          raise Problem.stale(kept[:name], kept: Views::Student.settings(kept), sent: values)
        end

        # @return [Array<Hash>] the newest result of "where next?" for each piece
        def drills(id)
          newest = @desk[:drill_results].where(student_id: id).distinct(:piece_id).order(:piece_id, Sequel.desc(:made_at))
          newest.from_self(alias: :drill_results).join(:pieces, studio_id: :studio_id, id: :piece_id)
            .select(:title, :day, :asked, :correct).order(:title).map { |row| row.merge(day: row[:day].to_s) }
        end

        # @param student [Hash] row
        # @param holidays [Array<Date>] of the studio
        # @return [Planning::Practice]
        def self.practice(student, holidays: [])
          by_day = student[:minutes_by_day].to_h.to_h { |day, minutes| [day.to_i, minutes.to_r] }
          Planning::Practice.new(
            weekdays: student[:practice_days].to_a, minutes: student[:minutes_a_day].to_r, by_day: by_day,
            begin_per_day: student[:begin_per_day], absent: Stretches.days(student[:absent]) | holidays
          )
        end

        private

        def columns(values)
          found = values.slice(*COLUMNS)
          found[:practice_days] = Sequel.pg_array(found[:practice_days].uniq.sort, :integer) if found[:practice_days]
          found[:absent] = Sequel.pg_jsonb(Stretches.checked(found[:absent], field: "absent")) if found[:absent]
          found[:known] = Sequel.pg_array(found[:known].map(&:strip).reject(&:empty?).uniq, :text) if found[:known]
          found[:class_name] = found[:class_name].to_s.strip.then { |name| name unless name.empty? } if found.key?(:class_name)
          found[:minutes_by_day] = Sequel.pg_jsonb(found[:minutes_by_day]) if found[:minutes_by_day]
          found
        end
      end
    end
  end
end
