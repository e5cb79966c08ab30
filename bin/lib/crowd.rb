# frozen_string_literal: true

# Many students and marks for bin/bench, copied from the demo's as sets.
module Crowd
  MARKS = 1_000_000

  # Marks of students who were copied, until there are so many.
  def crowd(db, marks)
    missing = marks - db[:practice_marks].count
    return unless missing.positive?

    per = (missing / db[:assignments].count.to_f).ceil
    db.run(<<~SQL)
      INSERT INTO practice_marks (studio_id, student_id, assignment_id, key, step_id, day, kind)
      SELECT studio_id, student_id, id, gen_random_uuid(), steps -> 0 ->> 'id', current_date - (n % 80), 'repetition'
      FROM assignments, generate_series(1, #{per}) AS n WHERE student_id > (SELECT min(id) FROM students) LIMIT #{missing}
    SQL
    db.run("ANALYZE")
  end

  # As the background leaves them: a summary for each student.
  def everyone_summarised(db, context)
    first = db[:students].min(:id)
    Stairwell::Server::Features::Overview.new(context).summarise([first])
    db[:student_summaries].exclude(student_id: first).delete
    db.run(<<~SQL)
      INSERT INTO student_summaries (studio_id, student_id, summary, computed_on, record_version)
      SELECT s.studio_id, s.id, k.summary, k.computed_on, s.record_version FROM students s, (SELECT * FROM student_summaries LIMIT 1) k
      ON CONFLICT DO NOTHING
    SQL
  end

  # More students like the demo's, with their pieces, weeks, marks and results: every
  # student there is, copied as a set, as often as it takes.
  # @param count [Integer] students in all
  def grow(db, count)
    until (missing = count - db[:students].count) <= 0
      db.run(
        "CREATE TEMP TABLE twins AS SELECT id AS was, nextval('students_id_seq') AS id FROM students ORDER BY id LIMIT #{missing}"
      )
      copy(
        db,
        :students,
        "students s JOIN twins t ON t.was = s.id",
        id: "t.id",
        name: "left(s.name, 40) || ' ' || t.id"
      )
      db.run(
        "CREATE TEMP TABLE given AS SELECT a.id AS was, nextval('assignments_id_seq') AS id FROM assignments a JOIN twins t ON t.was = a.student_id"
      )
      copy(
        db,
        :assignments,
        "assignments s JOIN twins t ON t.was = s.student_id JOIN given g ON g.was = s.id",
        id: "g.id",
        student_id: "t.id"
      )
      copy(
        db,
        :week_plans,
        "week_plans s JOIN twins t ON t.was = s.student_id",
        student_id: "t.id",
        without: [:id]
      )
      %i[practice_marks lesson_results].each do |table|
        undo = "AND s.kind <> 'undo'" if table == :practice_marks
        copy(
          db,
          table,
          "#{table} s JOIN twins t ON t.was = s.student_id JOIN given g ON g.was = s.assignment_id #{undo}",
          student_id: "t.id",
          assignment_id: "g.id",
          key: "gen_random_uuid()"
        )
      end
      db.run("DROP TABLE given; DROP TABLE twins")
    end
    db.run("ANALYZE")
  end

  # Rows again, with some columns changed.
  def copy(db, table, from, without: [], **changed)
    columns = db[table].columns - without
    values = columns.map { |column| changed.fetch(column) { "s.#{column}" } }
    db.run(
      "INSERT INTO #{table} (#{columns.join(", ")}) OVERRIDING SYSTEM VALUE SELECT #{values.join(", ")} FROM #{from}"
    )
  end
end
