# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # A class as its page shows one.
      module ClassJson
        module_function

        # @param row [Hash] of the class, with :teacher
        # @param members [Array<Hash>] rows
        # @param units [Array<Hash>] rows
        # @return [Hash] see the contract's ClassCard
        def card(row, members, units)
          unit = units.find { |one| one[:ended_at].nil? }
          row.slice(:id, :name, :teacher_id, :teacher, :weekday, :minutes, :version).merge(
            time: Repositories::Students.time(row[:time]),
            members: members.map { |one| one.slice(:id, :name) },
            unit:
              unit &&
                {
                  id: unit[:id],
                  title: unit[:title],
                  due_on: unit[:due_on].to_s,
                  due_time: Repositories::Students.time(unit[:due_time])
                }
          )
        end

        # @param read [ClassRead]
        # @param summaries [Hash{Integer => Hash}] of the members, see {Repositories::Summaries#all}
        # @param context [StudioContext]
        # @return [Hash] see the contract's Class
        def whole(read, summaries, context)
          card(read.row, read.members, read.units).merge(
            today: context.today.to_s,
            may: read.may.values.inject(Rights.of(context.role) & Rights::ABOUT_STUDENT, :&),
            fresh: read.members.all? { |row| summaries.dig(row[:id], :fresh) } && given?(read),
            units: read.units.map { |unit| unit(unit, read, summaries) },
            sets: read.sets.map { |set| { name: set[:name], criteria: set[:criteria].map(&:to_h) } }
          )
        end

        # Whether everyone has what the units under way give them at once.
        def given?(read)
          at_once =
            read
              .units
              .select { |unit| unit[:ended_at].nil? && unit[:piece_ids].size < 2 }
              .map { |unit| unit[:id] }
          read.had.none? do |one|
            at_once.include?(one[:unit_id]) && one[:assignment_id].nil? && one[:extra_work_id].nil?
          end
        end

        # @return [Hash] see the contract's Unit
        def unit(unit, read, summaries)
          due = Studio::Due.last_day(unit[:due_on], time(unit))
          members =
            read.members.map do |student|
              had =
                read.had.find do |one|
                  one[:unit_id] == unit[:id] && one[:student_id] == student[:id]
                end
              member(student, had, summaries.dig(student[:id], :summary).to_h, due).merge(
                levels: read.levels.fetch([unit[:id], student[:id]], {}),
                may: read.may.fetch(student[:id])
              )
            end
          { **plain(unit, read), members: members }
        end

        # @return [Hash] of a unit without its members
        def plain(unit, read)
          {
            id: unit[:id],
            title: unit[:title],
            due_on: unit[:due_on].to_s,
            due_time: time(unit),
            minutes: unit[:minutes]&.to_f,
            ended: !unit[:ended_at].nil?,
            criteria: unit[:criteria].map(&:to_h),
            pieces: unit[:piece_ids].to_a.map { |id| { id: id, title: read.pieces.fetch(id) } }
          }
        end

        def member(student, had, summary, due)
          id = had&.fetch(:assignment_id)
          piece, outlook =
            %w[pieces outlooks].map do |name|
              summary[name].to_a.find { |one| id && one["id"] == id }
            end
          {
            id: student[:id],
            name: student[:name],
            in_it: !had.nil?,
            piece_id: had&.fetch(:piece_id),
            assignment_id: id,
            percent: piece&.fetch("percent"),
            ready: ready(piece, outlook, due).to_s,
            cautious: outlook&.fetch("cautious"),
            likely: outlook&.fetch("likely")
          }
        end

        def ready(piece, outlook, due)
          return :none unless piece
          return :ready if piece["percent"] == 100
          return :none unless outlook

          Studio::Readiness.by(
            due,
            **%w[likely cautious].to_h do |name|
              [name.to_sym, outlook[name] && Date.iso8601(outlook[name])]
            end
          )
        end

        def time(unit) = Repositories::Students.time(unit[:due_time])
        private_class_method :given?, :member, :ready, :time
      end
    end
  end
end
