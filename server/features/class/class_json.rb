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
            time: Repositories::Students.time(row[:time]), members: members.map { |one| one.slice(:id, :name) },
            unit: unit && {id: unit[:id], title: unit[:title], due_on: unit[:due_on].to_s, due_time: Repositories::Students.time(unit[:due_time])}
          )
        end

        # @param read [ClassRead]
        # @param records [Array<Studio::Record>] of the members
        # @param context [StudioContext]
        # @return [Hash] see the contract's Class
        def whole(read, records, context)
          records = records.to_h { |record| [record.student.id, record] }
          card(read.row, read.members, read.units).merge(
            today: context.today.to_s, units: read.units.map { |unit| unit(unit, read, records) }, sets: read.sets.map { |set| {name: set[:name], criteria: set[:criteria].map(&:to_h)} }
          )
        end

        # @return [Hash] see the contract's Unit
        def unit(unit, read, records)
          due = Studio::Due.last_day(unit[:due_on], time(unit))
          {
            **plain(unit, read),
            members: read.members.map do |student|
              had = read.had.find { |one| one[:unit_id] == unit[:id] && one[:student_id] == student[:id] }
              member(student, had, records[student[:id]], (due unless unit[:ended_at])).merge(levels: read.levels.fetch([unit[:id], student[:id]], {}), may: read.may.fetch(student[:id]))
            end
          }
        end

        # @return [Hash] of a unit without its members
        def plain(unit, read)
          {
            id: unit[:id], title: unit[:title], due_on: unit[:due_on].to_s, due_time: time(unit), minutes: unit[:minutes]&.to_f, ended: !unit[:ended_at].nil?,
            criteria: unit[:criteria].map(&:to_h), pieces: unit[:piece_ids].to_a.map { |id| {id: id, title: read.pieces.fetch(id)} }
          }
        end

        def member(student, had, record, due)
          piece = record&.pieces&.find { |one| one.id == had&.fetch(:assignment_id) }
          ready = due && record ? Studio::Readiness.of(record, piece&.id, due) : Studio::Readiness.new(state: :none)
          {
            id: student[:id], name: student[:name], in_it: !had.nil?, piece_id: had&.fetch(:piece_id), assignment_id: had&.fetch(:assignment_id), percent: piece&.percent,
            ready: ready.state.to_s, cautious: ready.outlook&.cautious&.to_s, likely: ready.outlook&.middle&.to_s,
            options: ready.outlook ? ready.outlook.options.map { |one| {change: one.change, words: one.words, date: one.date.to_s, days_sooner: one.days_sooner} } : []
          }
        end

        def time(unit) = Repositories::Students.time(unit[:due_time])
        private_class_method :member, :time
      end
    end
  end
end
