# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # Students out of a list: it is read and shown first, and then added.
      class StudentLists
        # @param context [StudioContext]
        def initialize(context)
          @context = context
        end

        # @param text [String] CSV
        # @return [Hash] see the contract's readStudents
        # @raise [UnreadableError]
        def read(text)
          list = Formats::StudentList.read(text)
          {
            columns: list.columns.map { |column| Phrase["formats.student_list.columns.#{column}"] },
            unknown: list.unknown,
            lines:
              list.lines.map do |line|
                {
                  line: line.number,
                  name: line.name,
                  student: line.values,
                  troubles: line.troubles
                }
              end
          }
        end

        # All of them or none.
        # @param students [Array<Hash>] each with a key from the client: the same one twice is
        #   one student
        # @return [Array<Hash>] all students
        def add(students)
          whole = students.map { |values| Studio::Student.usual(values) }
          @context.write do |tables|
            whole.each do |values|
              Repositories::Students.new(tables).add(
                values,
                teacher_id: values[:teacher_id] || @context.account_id,
                today: @context.today,
                key: values[:key]
              )
            end
          end
          Students.new(@context).list
        end
      end
    end
  end
end
