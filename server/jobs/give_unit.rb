# frozen_string_literal: true

require_relative "background"

module Stairwell
  module Server
    module Jobs
      # Gives a unit to one member of a class: their steps are made and their week is planned.
      class GiveUnit < Que::Job
        self.priority = WAITED_FOR

        # @param studio_id [Integer]
        # @param account_id [Integer] who gives it
        # @param unit_id [Integer]
        # @param student_id [Integer]
        def run(studio_id, account_id, unit_id, student_id, *)
          context = Jobs.contexts.of_studio(studio_id, account_id: account_id)
          unit, student, given =
            context.read do |tables|
              [
                tables[:units].first(id: unit_id),
                tables[:students].first(id: student_id),
                tables[:unit_members]
                  .where(unit_id: unit_id, student_id: student_id)
                  .exclude(assignment_id: nil, extra_work_id: nil)
                  .any?
              ]
            end
          Features::ClassUnits.new(context, unit[:class_id]).give(unit, student) unless given
        rescue Error
          nil # the class says who has nothing in hand yet
        end
      end
    end
  end
end
