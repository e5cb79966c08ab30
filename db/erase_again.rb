# frozen_string_literal: true

require "sequel"

module Stairwell
  # What was erased since a backup was made does not come back with it. Who that is is noted with
  # what is brought back, in the same transaction, and erased once the tables have their newest
  # shape: also where the plug is pulled in between.
  module EraseAgain
    # @param gone [Array<Array(Integer, Integer)>] studio and student
    # @return [String] SQL
    def self.note(gone)
      rows =
        gone.map do |studio, student|
          "INSERT INTO public.erase_again VALUES (#{Integer(studio)}, #{Integer(student)});"
        end
      ["CREATE TABLE public.erase_again (studio_id bigint, student_id bigint);", *rows].join("\n")
    end

    # @param db [Sequel::Database] as its owner
    # @return [void]
    def self.call(db)
      return unless db.table_exists?(:erase_again)

      db.transaction do
        db[:erase_again]
          .select_map(%i[studio_id student_id])
          .each do |studio, student|
            db.get(Sequel.function(:enter_any_studio, studio))
            unless db[:students].where(studio_id: studio, id: student).empty?
              db.get(Sequel.function(:erase_student, student))
            end
          end
        db.drop_table(:erase_again)
      end
    end
  end
end
