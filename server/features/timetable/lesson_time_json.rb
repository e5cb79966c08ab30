# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # A lesson of the timetable.
      module LessonTimeJson
        # @param one [Timetable::Held]
        # @param names [Hash{Integer => String}] of accounts
        # @param may [Array<Symbol>] what whoever looks may do with the student
        # @return [Hash] see the contract's LessonTime
        def self.of(one, names, may)
          appointment(one.lesson).merge(
            id: one.student[:id],
            name: one.student[:name],
            holder_id: one.holder,
            holder: names.fetch(one.holder, ""),
            own_id: one.own,
            clash: one.clash,
            teacher: names.fetch(one.own, ""),
            class_name: one.student[:class_name],
            class_id: one.class_id,
            may: may
          )
        end

        # @param lesson [Studio::Appointment]
        # @return [Hash] see the contract's Appointment
        def self.appointment(lesson)
          lesson
            .to_h
            .slice(:time, :minutes, :left_out, :why, :version, :teacher_id)
            .merge(
              day: lesson.day.to_s,
              planned_on: lesson.planned_on&.to_s,
              makes_up_for: lesson.makes_up_for&.to_s,
              attendance: lesson.attendance&.to_s
            )
        end
      end
    end
  end
end
