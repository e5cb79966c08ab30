# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # Routines: those that ship, and the studio's own, which are copied and changed.
      class Routines
        # @param context [StudioContext]
        def initialize(context)
          @context = context
        end

        # @return [Array<Hash>] those that ship, then the studio's
        def list
          rows = @context.read { |tables| Repositories::Routines.new(tables).list }
          Practice::ROUTINES.values.map { |one| RoutineJson.of(one) } +
            rows.map { |row| RoutineJson.of(Repositories::Routines.value(row), row[:version]) }
        end

        # @return [Hash]
        def copy(key, name:)
          columns = columns(find(key).first.with(name: name.strip))
          shown(
            @context.write do |tables|
              Repositories::Routines.new(tables).add(columns, by: @context.account_id)
            end
          )
        end

        # @param stages [Array<Hash>] what is changed of each, see {Practice::RoutineEdit}
        # @return [Hash]
        # @raise [Problem] 409 when it was changed meanwhile; 422 when it cannot work, with
        #   the reason
        def change(key, name:, for_whom:, stages:, version:)
          routine, row = find(key)
          unless row
            raise Problem.new(
                    404,
                    Phrase["server.routine.routines.a_routine_that_ships_stays_as"],
                    code: "not_found"
                  )
          end

          edited = edit(routine, stages).with(name: name.strip, for_whom: for_whom)
          columns = columns(edited)
          changed =
            @context.write do |tables|
              Repositories::Routines.new(tables).change(key, columns, seen: version)
            end
          if changed
            shown(changed)
          else
            raise(
              Problem.stale(
                :routine,
                Phrase["server.guards.quoted", field: edited.name],
                kept: shown(find(key).last),
                sent: RoutineJson.of(edited)
              )
            )
          end
        end

        # What the changed routine does to a piece; nothing is kept.
        # @return [Hash] {steps:, minutes:, days:, path:}
        def trial(key, piece_id:, stages:)
          row = read = nil
          routine, =
            find(key) do |tables|
              row = Repositories::Pieces.new(tables).find(piece_id)
              read = Repositories::Pages.new(tables).read([[piece_id, row[:revision]]])
            end
          made =
            Practice.steps(
              read.page(piece_id, row[:revision], nil).map,
              routine: edit(routine, stages)
            )
          {
            steps: made.size,
            minutes: made.sum(0r, &:work).to_f,
            days: made.sum(&:good_days),
            path:
              Practice::Path
                .of(made)
                .map do |step|
                  { id: step.id, title: step.title, place: step.place, how: Practice.how(step) }
                end
          }
        rescue ContradictionError => error
          raise refused(error)
        end

        private

        # @return [Array(Practice::Routine, Hash)] no row for one that ships
        def find(key)
          row =
            @context.read do |tables|
              yield tables if block_given?
              Repositories::Routines.new(tables).find(key)
            end
          [
            (
              if row
                Repositories::Routines.value(row)
              else
                Practice::ROUTINES.fetch(key) { raise MissingError, Phrase["missing.routine"] }
              end
            ),
            row
          ]
        end

        def edit(routine, stages)
          Practice::RoutineEdit.call(routine, stages)
        rescue ContradictionError => error
          raise refused(error)
        end

        def refused(error) = Problem.new(422, error.message, code: "routine", field: "stages")

        def columns(routine) =
          {
            name: routine.name,
            for_whom: routine.for_whom.to_s,
            stages: Practice::RoutineDocument.dump(routine)
          }

        def shown(row) = RoutineJson.of(Repositories::Routines.value(row), row[:version])
      end
    end
  end
end
