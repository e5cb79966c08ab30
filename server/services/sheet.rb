# frozen_string_literal: true

module Stairwell
  module Server
    module Services
      # The week sheet of one student, through a private link.
      class Sheet
        def initialize(desk, student_id)
          @desk = desk
          @student = Models::Students.new(desk).find(student_id)
          @week = Models::Weeks.new(desk).under_way([student_id])[student_id]&.fetch(:plan)&.to_hash
        end

        # @return [Hash] nothing but what the student needs at the piano
        def show
          @given = Models::Assignments.new(@desk).of_student(@student[:id])
          {
            student: @student[:name], studio: @desk.studio[:name], today: @desk.today.to_s,
            next_lesson: @week&.fetch("next_lesson"), days: days
          }
        end

        # @param kind [String] repetition, struggle or undo
        # @param key [String] from the phone; the same one twice counts once
        # @return [void]
        # @raise [Problem] 422
        def mark(kind:, key:, assignment_id:, step_id:, undoes: nil)
          unless planned?(assignment_id, step_id)
            raise Problem.new(422, "This step is not on the sheet any more. Load the sheet again.", code: "not_on_sheet", field: "step_id")
          end

          @desk.db[:practice_marks].insert_conflict.insert(
            studio_id: @desk.studio_id, student_id: @student[:id], key: key, assignment_id: assignment_id, step_id: step_id,
            day: @desk.today, kind: kind, undoes: undoes
          )
        end

        private

        def planned?(assignment_id, step_id)
          @week&.fetch("days")&.any? { |day| day["items"].any? { |item| item["assignment_id"] == assignment_id && item["step_id"] == step_id } }
        end

        def days
          @week.to_h.fetch("days", []).map do |day|
            items = day["items"].map { |item| item(item, Date.parse(day["date"])) }
            {date: day["date"], minutes: day["minutes"], minutes_done: minutes_done(items), warm_ups: day.fetch("warm_ups", []), struggle: items.any? { |one| one[:struggle] }, items: items}
          end
        end

        def minutes_done(items) = items.sum { |one| one[:minutes] * [one[:done], one[:repetitions]].min / one[:repetitions] }.round(1)

        def item(item, date)
          given = @given.find { |one| one.row[:id] == item["assignment_id"] }
          standing = given.progress.standings[item["step_id"]]
          day = standing.days.fetch(date, {repetitions: 0, struggle: false})
          {
            **item.slice("assignment_id", "step_id", "title", "piece", "place", "tempo", "minutes", "repetitions").transform_keys(&:to_sym),
            hands: standing.step.hands.to_s, how: Practice.how(standing.step), done_when: standing.step.done, done: day[:repetitions], struggle: day[:struggle],
            last_mark: last_mark(item, date), picture: picture(given, standing.step)
          }
        end

        # The newest mark of the day that was not taken back, for undo.
        def last_mark(item, date)
          @marks ||= @desk[:practice_marks].where(student_id: @student[:id]).where(Sequel[:day] >= Date.parse(@week["starts"])).order(:made_at).all
          undone = @marks.filter_map { |row| row[:undoes] }
          @marks.reverse.find { |row|
            row[:assignment_id] == item["assignment_id"] && row[:step_id] == item["step_id"] && row[:day] == date &&
              row[:kind] != "undo" && !undone.include?(row[:key])
          }&.fetch(:key)
        end

        # The little page: lines of bars, those of the step lit up.
        def picture(given, step)
          @maps ||= {}
          map = @maps[given.row[:id]] ||= Models::Pieces.new(@desk).map(given.row[:piece_id], given.row[:revision])
          lit = step.spans.flat_map(&:bars)
          map.layout.lines.group_by(&:first).filter_map { |page, rows|
            lines = rows.map { |_, line, bars| {line: line, bars: bars.map { |bar| lit.include?(bar.index) }} }
            {page: map.layout.assumed? ? nil : page, lines: lines} if lines.any? { |line| line[:bars].any? }
          }
        end
      end
    end
  end
end
