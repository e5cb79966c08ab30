# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # Units of a class: given to all at once and fitted to each, chosen by a member, ended.
      class ClassUnits
        # @param context [StudioContext]
        # @param class_id [Integer]
        def initialize(context, class_id)
          @context = context
          @class_id = class_id
          @students = Students.new(context)
        end

        # @param said [Hash] key:, title:, due_on:, due_time:, criteria:, and piece_ids: (one,
        #   or several to choose from) or minutes: of an exercise
        # @param keep_as [String, nil] a name under which the criteria are kept for reuse
        # @param routine [String]
        # @return [Hash] the class
        # @raise [Problem, MissingError, RefusedError] with nothing given to anyone
        def add(keep_as: nil, routine: "hand_by_hand", **said)
          due_on = Problem.date(said[:due_on], "due_on")
          pieces = said.fetch(:piece_ids, []).uniq
          named_once!(said[:criteria])
          if pieces.empty? == said[:minutes].nil?
            raise Problem.new(
                    422,
                    Phrase["server.units.piece_or_exercise"],
                    code: "unit",
                    field: "piece_ids"
                  )
          end
          pieces.each { |id| learnable!(id) }

          @context.write do |tables|
            members = members(tables)
            units = Repositories::ClassUnits.new(tables)
            units.keep_criteria(keep_as.strip, said[:criteria], by: @context.account_id) if keep_as
            unit =
              units.add(
                **said.slice(:key, :title, :criteria, :due_time, :minutes),
                due_on: due_on,
                piece_ids: pieces,
                class_id: @class_id,
                routine: routine,
                by: @context.account_id
              )
            members.each { |student| hand_out(units, unit, student) } if unit
          end
          Classes.new(@context).show(@class_id)
        end

        # Fitted to each: their own days, minutes, pace and hand. What they have of it and the steps
        # are kept together.
        # @param unit [Hash] row
        # @param student [Hash] row
        # @return [void]
        def give(unit, student)
          id = student[:id]
          note = ->(**had) do
            ->(tables, *) { Repositories::ClassUnits.new(tables).give(unit[:id], id, **had) }
          end
          case unit[:piece_ids].size
          when 0
            ExtraWork
              .new(@context)
              .exercise(
                id,
                title: unit[:title],
                minutes: unit[:minutes],
                key: SecureRandom.uuid
              ) { |work| note.call(extra_work_id: work) }
          when 1
            piece(unit, student) { |assignment| note.call(assignment_id: assignment) }
          else
            @context.write(&note.call)
          end
        end

        # A member chooses one of the pieces.
        # @return [Hash] the class
        def choose(unit_id, student_id:, piece_id:)
          unit, student =
            @context.read do |tables|
              student = member(tables, student_id)
              Rights.with_student!(@context, tables, student)
              [found(tables, unit_id), student]
            end
          unless unit[:piece_ids].include?(piece_id)
            raise Problem.new(
                    422,
                    Phrase["server.units.none_of_these"],
                    code: "unit",
                    field: "piece_id"
                  )
          end

          give(unit.merge(piece_ids: [piece_id]), student)
          Classes.new(@context).show(@class_id)
        end

        # @param ended [Boolean]
        # @return [Hash] the class
        def finish(unit_id, ended:)
          @context.write do |tables|
            found(tables, unit_id) && Repositories::ClassUnits.new(tables).finish(unit_id, ended)
          end
          Classes.new(@context).show(@class_id)
        end

        # @param level [Integer, nil] nil takes it back
        # @return [Hash] {student_id:, levels:}
        def judge(unit_id:, student_id:, criterion:, level:, key:)
          levels =
            @context.write do |tables|
              Rights.with_student!(@context, tables, member(tables, student_id), :hear)
              unit = found(tables, unit_id)
              known = unit[:criteria].map(&:to_h).find { |one| one["key"] == criterion }
              unless known && [nil, *1..known["levels"].size].include?(level)
                raise Problem.new(
                        422,
                        Phrase["server.units.no_such_level"],
                        code: "level",
                        field: "level"
                      )
              end

              units = Repositories::ClassUnits.new(tables)
              units.judge(
                key: key,
                unit_id: unit_id,
                student_id: student_id,
                criterion: criterion,
                level: level,
                day: @context.today,
                by: @context.account_id
              )
              units.levels([unit_id]).fetch([unit_id, student_id], {})
            end
          { student_id: student_id, levels: levels }
        end

        private

        def members(tables)
          classes = Repositories::Classes.new(tables)
          name = classes.find(@class_id)[:name]
          members = classes.members([name]).fetch(name, [])
          members.each { |student| Rights.with_student!(@context, tables, student) }
        end

        # Its job lies with it: steps are worked out for one member after another.
        def hand_out(units, unit, student)
          units.give(unit[:id], student[:id])
          return if unit[:piece_ids].size > 1

          Jobs::GiveUnit.enqueue(@context.studio_id, @context.account_id, unit[:id], student[:id])
        end

        def found(tables, id)
          unit = Repositories::ClassUnits.new(tables).find(id)
          (unit[:class_id] == @class_id) ? unit : raise(MissingError, Phrase["missing.unit"])
        end

        def member(tables, id)
          row = Repositories::Students.new(tables).find(id)
          name = Repositories::Classes.new(tables).find(@class_id)[:name]
          (row[:class_name] == name) ? row : raise(MissingError, Phrase["missing.unit_member"])
        end

        def named_once!(criteria)
          keys = criteria.map { |one| one[:key] }
          if keys.uniq.size < keys.size
            raise Problem.new(
                    422,
                    Phrase["server.units.criterion_twice"],
                    code: "criteria",
                    field: "criteria"
                  )
          end
        end

        # A page without sections gives nobody a step.
        def learnable!(piece_id)
          if page(piece_id).map.sections.empty?
            raise Problem.new(
                    422,
                    Phrase["server.units.no_sections", title: page(piece_id).map.title],
                    code: "no_steps",
                    field: "piece_ids"
                  )
          end
        end

        # Who has the piece in hand, or had it, goes on with it.
        # @yieldparam assignment [Integer]
        # @yieldreturn [#call] what is kept in the same transaction
        def piece(unit, student, &)
          due =
            Studio::Due.last_day(unit[:due_on], Repositories::Students.time(unit[:due_time])).to_s
          piece_id = unit[:piece_ids].first
          known =
            @context.read do |tables|
              tables[:assignments].where(student_id: student[:id], piece_id: piece_id).first
            end
          if known
            return @students.take_up(student[:id], known, due_on: due, keep: yield(known[:id]))
          end

          @students.give(
            student[:id],
            {
              piece_id: piece_id,
              routine: unit[:routine],
              hand_order: student[:hand_order],
              due_on: due,
              **tempo(piece_id)
            },
            &
          )
        end

        # The page's own target; else a tempo to begin with, which the teacher changes.
        def tempo(piece_id) =
          { target_tempo: page(piece_id).map.target_tempo.to_i.clamp(Constants::TARGET_TEMPOS) }

        # @return [Studio::Page] as it is for the studio
        def page(piece_id)
          revision, pages =
            @context.read do |tables|
              revision = Repositories::Pieces.new(tables).find(piece_id, live: true)[:revision]
              [revision, Repositories::Pages.new(tables).read([[piece_id, revision]])]
            end
          pages.page(piece_id, revision, nil)
        end
      end
    end
  end
end
