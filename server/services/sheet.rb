# frozen_string_literal: true

module Stairwell
  module Server
    module Services
      # The week sheet of one student, through a private link.
      class Sheet
        # @param newest [Boolean] the newest plan, begun or not; otherwise the week
        #   under way
        def initialize(desk, student_id, newest: false)
          @newest = newest
          @desk = desk
          @student = Models::Students.new(desk).find(student_id)
          @week = under_way
        end

        # @return [Hash] nothing but what the student needs at the piano
        def show
          @given = Models::Assignments.new(@desk).of_student(@student[:id])
          # After a missed day the family sees what is left, planned anew.
          @week = under_way if !@newest && PlanWeek.new(@desk).mend(@student, @week, @given)
          {
            student: @student[:name], studio: @desk.studio[:name], today: @desk.today.to_s,
            next_lesson: (@week["next_lesson"] if @week && !over?), over: over?, days: days, reads: @student[:reads], skip: skip, cautions: cautions
          }
        end

        # Days a tap may be late: a phone that was offline. Own choice.
        LATE = 35

        # @param kind [String] repetition, struggle or undo
        # @param key [String] from the phone; the same one twice counts once
        # @param day [String, nil] the day it was made on, where that is not today
        # @return [void]
        # @raise [Problem] 422
        def mark(kind:, key:, assignment_id:, step_id:, undoes: nil, day: nil)
          date = day ? Date.iso8601(day) : @desk.today
          unless known?(assignment_id, step_id, date)
            raise Problem.new(422, "This step is not on the sheet any more. Load the sheet again.", code: "not_on_sheet", field: "step_id")
          end
          raise Problem.new(422, "A tap of #{date} cannot be taken any more.", code: "late", field: "day") unless date.between?(@desk.today - LATE, @desk.today)

          @desk.db[:practice_marks].insert_conflict.insert(
            studio_id: @desk.studio_id, student_id: @student[:id], key: key, assignment_id: assignment_id, step_id: step_id, day: date, kind: kind, undoes: undoes
          )
          Models::Summaries.new(@desk).stale(@student[:id])
        rescue Date::Error
          raise Problem.new(422, "“#{day}” is no date.", code: "date", field: "day")
        end

        # How the bars of a step sound: clicks with a count-in, and notes where there
        # is a score; and where the finger goes.
        # @return [Hash] see {Roadmap::Playback#to_h}, with :walk, see {Roadmap.walk}
        # @raise [Problem] 404
        def sound(assignment_id:, step_id:)
          given = Models::Assignments.new(@desk).of_student(@student[:id]).find { |one| one.id == assignment_id }
          step = given&.progress&.standings&.fetch(step_id, nil)&.step || raise(Problem.not_found("step on this sheet"))
          map = map_of(given)
          Roadmap.playback(map, tempo: step.tempo || map.target_tempo, spans: step.spans).merge(walk: Roadmap.walk(map, step.spans).map { |one| one.merge(one.slice(:place, :reached, :ahead).transform_values { |text| say(text) }) })
        end

        # The notes of a piece, from which the bars of a step are engraved.
        # @return [String] MusicXML
        # @raise [Problem] 404 where there is no score
        def score(assignment_id:)
          given = Models::Assignments.new(@desk).of_student(@student[:id]).find { |one| one.id == assignment_id } || raise(Problem.not_found("piece on this sheet"))
          bytes = Models::Pieces.new(@desk).score(given.row[:piece_id])
          return Formats::MusicXML::Package.text(bytes.to_s) if bytes

          map = map_of(given)
          map.notes? ? Formats::MusicXML.write(map) : raise(Problem.not_found("score of this piece"))
        end

        private

        def under_way
          weeks = Models::Weeks.new(@desk)
          row = weeks.under_way([@student[:id]])[@student[:id]] unless @newest
          # A week that is past gives way to one that begins tomorrow.
          row = weeks.newest(@student[:id]) if row.nil? || row[:next_lesson] < @desk.today
          row&.fetch(:plan)&.to_hash
        end

        def planned?(assignment_id, step_id)
          @week&.fetch("days")&.any? { |day| day["items"].any? { |item| item["assignment_id"] == assignment_id && item["step_id"] == step_id } }
        end

        def known?(assignment_id, step_id, date)
          planned?(assignment_id, step_id) || (date < @desk.today && had?(assignment_id, step_id))
        end

        # Whether the student has, or had, such a step: taps of an earlier week.
        def had?(assignment_id, step_id)
          @desk[:week_plans].where(student_id: @student[:id]).reverse(:id).limit(40).select_map(:plan).any? do |plan|
            plan["days"].any? { |day| day["items"].any? { |item| item["assignment_id"] == assignment_id && item["step_id"] == step_id } }
          end
        end

        def days
          planned = @week.to_h.fetch("days", [])
          planned += [going_on(planned)].compact if over?
          planned.map { |day| day(day, Date.parse(day["date"])) }
        end

        # Whether the lesson is past and no new week was planned: it was not held, or
        # the teacher has not come to it yet.
        def over? = !@newest && !@week.nil? && Date.parse(@week["next_lesson"]) < @desk.today

        # Until the new plan comes, what stood last and is not steady goes on.
        # @return [Hash, nil] a day for today
        def going_on(days)
          last = days.reverse.find { |day| day["items"].any? { |item| open?(item) } } || return
          last.merge("date" => @desk.today.to_s, "items" => last["items"].select { |item| open?(item) })
        end

        def open?(item)
          given = @given.find { |one| one.id == item["assignment_id"] }
          %i[open begun].include?(given&.progress&.standings&.fetch(item["step_id"], nil)&.state)
        end

        def day(day, date)
          steps, beside = day["items"].partition { |item| item["step_id"] }
          items = steps.filter_map { |item| item(item, date) }
          {
            date: date.to_s, minutes: day["minutes"], minutes_done: minutes_done(items), struggle: items.any? { |one| one[:struggle] }, items: items,
            warm_ups: day.fetch("warm_ups", []), beside: beside.map { |one| one.slice("id", "kind", "title", "minutes", "one_of") }
          }
        end

        def minutes_done(items) = items.sum { |one| one[:minutes] * [one[:done], one[:repetitions]].min / one[:repetitions] }.round(1)

        def item(item, date)
          given = @given.find { |one| one.row[:id] == item["assignment_id"] }
          # A smaller form may be gone since the week was planned.
          standing = given&.progress&.standings&.fetch(item["step_id"], nil) || return
          step = standing.step
          {
            title: say(item["title"]), place: say(item["place"]), kind: item["kind"],
            **item.slice("assignment_id", "step_id", "piece", "tempo", "minutes", "repetitions").transform_keys(&:to_sym),
            **told(step), **counted(standing, item, date), **StepPlace.new(map_of(given), @student[:note_names].to_sym).of(step)
          }
        end

        # What to do, in words and as a picture, and when it is done.
        def told(step)
          {hands: step.hands.to_s, how: say(Practice.how(step)), actions: Practice.pictures(step).map(&:to_s), done_when: say(step.done), notes: step.notes.map { |note| say(note) }}
        end

        # What was tapped on that day.
        def counted(standing, item, date)
          day = standing.days.fetch(date, {repetitions: 0, struggle: false})
          {done: day[:repetitions], struggle: day[:struggle], last_mark: last_mark(item, date), keys: marks(item, date).map { |row| row[:key] }}
        end

        # In the student's words, or the studio's.
        def say(text) = text && Score::Terms.say(text, @desk.terms(@student))

        # The newest mark of the day that was not taken back, for undo.
        def last_mark(item, date)
          own = marks(item, date)
          undone = own.filter_map { |row| row[:undoes] }
          own.reverse.find { |row| row[:kind] != "undo" && !undone.include?(row[:key]) }&.fetch(:key)
        end

        # All marks of a step on a day, the newest last.
        def marks(item, date)
          @marks ||= @desk[:practice_marks].where(student_id: @student[:id]).where(Sequel[:day] >= Date.parse(@week["starts"])).order(:made_at).all
            .group_by { |row| row.values_at(:assignment_id, :step_id, :day) }
          @marks.fetch([item["assignment_id"], item["step_id"], date], [])
        end

        # What to leave out today when it goes badly (or of the first day, on paper).
        def skip
          day = @week.to_h.fetch("days", []).find { |one| @newest || one["date"] == @desk.today.to_s }
          return [] unless day

          items = day["items"].map { |one| Planning::Item.new(id: one["id"].to_s, minutes: one["minutes"].to_r, why: "", kind: one["kind"].to_sym, begins: one["begins"]) }
          titles = day["items"].to_h { |one| [one["id"].to_s, one["step_id"] ? say(one["title"]) : one["title"]] }
          Planning::Skip.of(items).map { |id| titles.fetch(id) }
        end

        # Those that apply today; on paper, and on a day without practice, those of
        # the week.
        # @return [Array<Hash>] topic:, short:, full:
        def cautions
          all = @week.to_h.fetch("days", [])
          today = @newest ? [] : all.select { |day| day["date"] == @desk.today.to_s }
          applying = Cautious.new(@student, today.any? ? today : all, @given) { |given| map_of(given) }.of.map(&:to_h)
          own = @desk.studio[:caution]
          own.to_s.strip.empty? ? applying : [*applying, {topic: "studio", short: own, full: own}]
        end

        def map_of(given)
          @maps ||= {}
          @maps[given.row[:id]] ||= Workbench.of(@desk, given.row).map
        end
      end
    end
  end
end
