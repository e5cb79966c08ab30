# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # Asks for one student to be erased for good, which is done a day later, or stops that.
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
        # @return [Hash] when it is done, and places: where the name will still stand in what was
        #   written of others, see the contract's Erasing
        # @raise [Problem] 422 where it is another name
        # @raise [MissingError]
        def call(name:)
          places = request = nil
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

            request = Repositories::ErasureRequests.new(tables).add(@id, by: @context.account_id)
            tell(tables, student, request)
            places = Repositories::NamedIn.new(tables).of(student[:name], but: @id)
          end
          {
            day: day(request),
            places: places.map { |one| { place: place(one[:table]).to_s, count: one[:count] } }
          }
        end

        # @return [void]
        # @raise [Problem] 409 where nothing was asked
        def stop
          @context.write do |tables|
            Repositories::Students.new(tables).find(@id)
            next if Repositories::ErasureRequests.new(tables).stop(@id)

            raise Problem.new(409, Phrase["server.erasure.nothing_to_stop"], code: "not_erasing")
          end
        end

        private

        def day(request) = @context.date_of(request[:due_at]).to_s

        # Every owner hears of it, also where one of them did not ask.
        def tell(tables, student, request)
          words = {
            name: student[:name],
            day: Phrase.day(@context.date_of(request[:due_at]), :full)
          }
          Repositories::Members
            .new(tables)
            .owners
            .each do |id, address|
              letter =
                Repositories::Outbox.new(tables).add(
                  @id,
                  recipient: address,
                  subject: Phrase["server.erasure.subject", **words].to_s,
                  body:
                    Phrase[
                      "server.erasure.body",
                      **words,
                      studio: @context.studio[:name],
                      address: @context.settings.address
                    ].to_s,
                  by: id
                )
              Jobs::SendMail.enqueue(@context.studio_id, letter[:id]) if @context.settings.smtp
            end
        end

        def place(table)
          name = PLACES.include?(table) ? table : "others"
          Phrase["server.erasure.places.#{name}"]
        end
      end
    end
  end
end
