# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # Classes, and who belongs to them.
      class Classes
        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
        end

        # @return [Array<Hash>] in the order of the week, with the teacher's name
        def list
          @tables[:classes]
            .where(ended_on: nil)
            .join(:accounts, id: :teacher_id)
            .select_all(:classes)
            .select_append(Sequel[:accounts][:name].as(:teacher))
            .order(Sequel.lit("(weekday + 6) % 7"), :time, Sequel[:classes][:name])
            .all
        end

        # @return [Hash]
        # @raise [MissingError]
        def find(id) =
          @tables[:classes].first(id: id) || raise(MissingError, Phrase["missing.class"])

        # @param names [Array<String>]
        # @return [Hash{String => Array<Hash>}] rows of the members who are here, by class
        def members(names) =
          Students
            .here(@tables)
            .where(class_name: names)
            .order(:name, :id)
            .all
            .group_by { |row| row[:class_name] }

        # A class that a student's form names comes about where there is none yet: at the
        # student's hour, with the student's teacher.
        # @param student [Hash] row
        # @return [void]
        def named(student)
          again = { ended_on: nil, version: Sequel[:classes][:version] + 1 }
          @tables.db[:classes].insert_conflict(
            target: %i[studio_id name],
            update: again,
            update_where: Sequel.~(Sequel[:classes][:ended_on] => nil)
          ).insert(
            studio_id: @tables.studio_id,
            name: student[:class_name],
            teacher_id: student[:teacher_id],
            weekday: student[:lesson_weekday],
            time: student[:lesson_time]
          )
        end

        # @param key [String] from the client; the same one twice is one class
        # @return [Hash] the row
        # @raise [Problem] 422 for a name there is
        def add(key:, **values)
          found = @tables[:classes].first(key: key) and return found
          Members.new(@tables).teaches!(values[:teacher_id])
          ended = @tables[:classes].where(name: values[:name]).exclude(ended_on: nil)
          again =
            ended
              .returning
              .update(key: key, ended_on: nil, version: Sequel[:version] + 1, **values)
              .first and return again

          named!(values[:name])
          @tables.add(:classes, key: key, **values)
        end

        # @param on [Date]
        # @return [void]
        def finish(id, on) =
          @tables[:classes].where(id: id).update(ended_on: on, version: Sequel[:version] + 1)

        # @return [Hash, nil] nil when it was changed meanwhile
        # @raise [Problem] 422
        def change(id, values, seen:)
          named!(values[:name], but: id) if values[:name]
          Members.new(@tables).teaches!(values[:teacher_id]) if values[:teacher_id]
          @tables.revise(@tables[:classes].where(id: id), seen: seen, **values)
        end

        private

        def named!(name, but: nil)
          return if @tables[:classes].where(name: name).exclude(id: but || 0).empty?

          raise Problem.new(
                  422,
                  Phrase["server.classes.named_so", name: name],
                  code: "name",
                  field: "name"
                )
        end
      end
    end
  end
end
