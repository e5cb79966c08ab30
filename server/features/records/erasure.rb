# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # Erases one student for good.
      class Erasure
        # Tables in which one writes freely, as a teacher calls them; others are called by one word.
        PLACES = %w[
          lessons
          messages
          outbox
          lesson_results
          extra_work
          lendings
          classes
          class_units
          map_revisions
          piece_layers
          pieces
          routines
          covers
          appointments
        ].freeze
        private_constant :PLACES

        # @param context [StudioContext]
        # @param id [Integer]
        def initialize(context, id)
          @context = context
          @id = id
        end

        # @param name [String] as whoever erases has typed it, so that it is nobody else
        # @return [Hash] places: where the name still stands in what was written of others, see the
        #   contract's Erased
        # @raise [Problem] 422 where it is another name
        # @raise [MissingError]
        def call(name:)
          places = nil
          @context.write do |tables|
            student = Repositories::Students.new(tables).find(@id)
            unless name.strip == student[:name]
              raise Problem.new(
                      422,
                      Phrase["server.erasure.other_name", name: student[:name]],
                      code: "name",
                      field: "name"
                    )
            end

            Repositories::Students.new(tables).erase(@id)
            places = Repositories::NamedIn.new(tables).of(student[:name])
          end
          { places: places.map { |one| { place: place(one[:table]).to_s, count: one[:count] } } }
        end

        private

        def place(table)
          name = PLACES.include?(table) ? table : "others"
          Phrase["server.erasure.places.#{name}"]
        end
      end
    end
  end
end
