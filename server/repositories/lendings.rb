# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # Books and the like that a student has at home.
      class Lendings
        # @param tables [Tables]
        # @param context [StudioContext]
        def initialize(tables, context)
          @tables = tables
          @context = context
        end

        # @return [Array<Hash>] what is not back yet
        def out(student_id) =
          @tables[:lendings].where(student_id: student_id, returned_on: nil).order(:id).all

        # @return [void]
        def lend(student_id, title) =
          @tables.add(
            :lendings,
            student_id: student_id,
            title: title.strip,
            lent_on: @context.today
          )

        # @return [void]
        # @raise [MissingError]
        def take_back(student_id, id)
          back =
            @tables[:lendings].where(student_id: student_id, id: id, returned_on: nil).update(
              returned_on: @context.today
            )
          raise MissingError, Phrase["missing.lent_thing"] if back.zero?
        end
      end
    end
  end
end
