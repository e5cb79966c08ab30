# frozen_string_literal: true

require "server/app"
require_relative "life"
require_relative "people"
require_relative "pieces"

module Demo
  # Makes the demo studio through the same actions a person uses, then lets its
  # students practise for some weeks. The same seed makes the same studio.
  class Studio
    Server = Stairwell::Server
    WEEKS = 12

    # @param settings [Stairwell::Server::Settings]
    # @param seed [Integer]
    def initialize(settings, seed: 11)
      @settings = settings
      @seed = seed
      @store = Server::Store.new(settings.keeper_url, connections: 2)
      @today = Server::Clock.new(settings.fixed_now).today(People::TIME_ZONE)
    end

    # @return [void]
    def make
      # Jobs lie with what they are about: in the demo's own database.
      elsewhere = Server::Jobs.contexts
      Server::Jobs.prepare(contexts(@today))
      found
      load_pieces
      People::STUDENTS.each { |one| enrol(*one) }
      this_week
      now = context(day: @today)
      Server::Features::Overview.new(now).summarise(
        now.read { |tables| tables[:students].select_map(:id) }
      )
    ensure
      Server::Jobs.prepare(elsewhere) if elsewhere
      @store.db.disconnect
    end

    private

    def noon(day) = Time.utc(day.year, day.month, day.day, 12)

    def found
      @teachers =
        People::TEACHERS.map do |one|
          Server::Auth.add_account(@store.db, **one, password: People::PASSWORD)
        end
      @studio_id =
        @store.found_studio(
          name: People::STUDIO,
          time_zone: People::TIME_ZONE,
          owner_id: @teachers.first
        )
      context.write do |tables|
        @teachers.drop(1).each { |id| tables.add(:memberships, account_id: id, role: "teacher") }
      end
    end

    def contexts(day) =
      Server::StudioContexts.new(
        store: @store,
        keeper: @store,
        clock: Server::Clock.new(noon(day)),
        settings: @settings
      )

    def context(teacher = 0, day: @today - 7 * WEEKS) =
      contexts(day).of_studio(@studio_id, account_id: @teachers[teacher])

    # What is not as every week: a teacher is away and another stands in, a lesson is moved,
    # one student comes twice a week, one has left; brothers and sisters, and a father who
    # reads the recap in other words.
    def this_week
      now = context(day: @today)
      monday = @today - (@today.wday - 1) % 7
      away, cover = @teachers.values_at(1, 0)
      Server::Features::Covers.new(now).add(
        key: key(1),
        away_id: away,
        cover_id: cover,
        first_day: monday.to_s,
        last_day: (monday + 6).to_s
      )
      students = Server::Features::Students.new(now)
      ids = students.list.to_h { |one| [one[:name], one[:id]] }
      now.write do |tables|
        own = tables[:students].where(teacher_id: away).select(:id)
        tables[:lessons]
          .where(student_id: own)
          .where { day >= monday }
          .update(finished_by: cover, written_by: cover)
      end
      tuesday = monday + 8
      Server::Features::LessonTimes.new(now).change(
        ids["Ysolde"],
        tuesday.to_s,
        seen: 0,
        day: (tuesday + 2).to_s,
        time: "17:15"
      )
      aldous = students.show(ids["Mrs Aldous"])
      more = { more_lessons: [{ weekday: 3, time: "11:15", minutes: 45, teacher_id: nil }] }
      students.change(
        aldous[:id],
        aldous.slice(*Server::Repositories::Students::COLUMNS).merge(more),
        seen: aldous[:version]
      )
      now.write do |tables|
        rows = Server::Repositories::Students.new(tables)
        rows.join_family(ids["Odile"], ids["Pim"])
        rows.change(
          ids["Odile"],
          { contacts: [{ name: "Aurel", email: "aurel@netherquay.example", locale: "en-US" }] },
          seen: rows.find(ids["Odile"])[:version]
        )
      end
      Server::Features::StudentLife.new(now).leave(ids[People::LEFT])
      messages(now, ids)
      records(now, ids)
      evening_class(context(2, day: @today).with(role: "teacher"))
    end

    # What families wrote on their sheets since the last lesson.
    def messages(now, ids)
      now.write do |tables|
        People::MESSAGES.each_with_index do |(name, days, text), at|
          Server::Repositories::Messages.new(tables, ids.fetch(name)).add(
            key: key(10 + at),
            day: @today - days,
            text: text
          )
        end
      end
    end

    # Guardians have agreed for all but one; what is kept of who left two years ago is about to be
    # erased.
    def records(now, ids)
      told, ends = @today - 11, @today + 19
      now.write do |tables|
        tables[:students].update(came_on: @today - 7 * WEEKS)
        tables[:students].exclude(id: ids[People::UNASKED]).update(consent_records_on: @today - 70)
        tables[:students].where(id: ids[People::LEFT]).update(
          left_on: ends << People::KEEP_MONTHS,
          erasing_told_on: told
        )
      end
      Server::Features::Keeping.new(now).change(
        { asks_consent: true, keep_months: People::KEEP_MONTHS }
      )
    end

    # The evening class works toward a piece, and was judged once on the way.
    def evening_class(now)
      group = Server::Features::Classes.new(now).list.first
      due = @today + (4 - @today.wday) % 7 + 63
      unit =
        Server::Features::ClassUnits.new(now, group[:id]).add(
          key: key(2),
          title: "The Slow Ferry, together",
          routine: "hand_by_hand",
          piece_ids: [@pieces["the-slow-ferry"][:id]],
          due_on: due.to_s,
          due_time: "19:30",
          criteria: People::CRITERIA,
          keep_as: "Usual"
        )[
          :units
        ].first
      row, members =
        now.read do |tables|
          [
            tables[:units].first(id: unit[:id]),
            tables[:students].where(class_name: group[:name]).order(:id).all
          ]
        end
      members.each { |member| Server::Features::ClassUnits.new(now, group[:id]).give(row, member) }
      now.write do |tables|
        units = Server::Repositories::ClassUnits.new(tables)
        group[:members]
          .first(5)
          .each_with_index do |member, at|
            People::CRITERIA
              .first(2)
              .each_with_index do |one, place|
                units.judge(
                  key: key(100 + 10 * at + place),
                  unit_id: unit[:id],
                  student_id: member[:id],
                  criterion: one[:key],
                  level: 1 + (at + place) % 3,
                  day: @today,
                  by: now.account_id
                )
              end
          end
      end
    end

    def key(number) = format("%08x-0000-4000-8000-000000000000", number)

    def load_pieces
      library = Server::Features::Library.new(context)
      @pieces =
        Pieces.all.to_h do |piece|
          loaded =
            library.load_score(
              Server::Features::ScoreFile.new(piece.score.b, "#{piece.file}.musicxml")
            )
          # A score knows no book, level or target tempo; the teacher types them in.
          script = [
            "book: #{piece.map.book}",
            "level: #{piece.map.level}",
            loaded[:script].sub(/^tempo: .*/) do |line|
              "#{line}, target #{piece.map.tempo.target}"
            end,
            *Pieces.starts(piece.map, piece.sections),
            *piece.sections.map { |one| "section #{one}" }
          ].join("\n")
          Server::Features::Piece.new(context, loaded[:id]).save(
            "#{script}\n",
            seen: loaded[:revision]
          )
          [piece.file, { id: loaded[:id], target_tempo: piece.map.tempo.target }]
        end
    end

    def enrol(
      name,
      teacher,
      days,
      minutes,
      begin_per_day,
      weekday,
      time,
      hand,
      routine,
      files,
      ability
    )
      here = context(teacher)
      students = Server::Features::Students.new(here)
      id =
        students.add(
          name: name,
          practice_days: days,
          minutes_a_day: minutes,
          begin_per_day: begin_per_day,
          child: begin_per_day <= 2,
          lesson_weekday: weekday,
          lesson_time: time,
          hand_order: hand,
          class_name: (People::CLASS if [weekday, time] == People::CLASS_TIME),
          reads: routine != "say_clap_play",
          warm_ups: (begin_per_day > 2) ? "scale" : "five_finger"
        )[
          :id
        ]
      live(here, id, files, routine, ability)
      students.renew_link(id)
    end

    # Some weeks up to yesterday. Every student has a chance of their own, so that
    # one more changes nothing for the others.
    def live(here, id, files, routine, ability)
      record = Server::Repositories::Records.new(here).find(id)
      life =
        Life.new(
          record,
          (files | @pieces.keys).map do |file|
            assignment(here, file, routine, record.student.hand_order)
          end,
          ability: ability,
          teacher_id: here.account_id,
          random: Random.new(@seed + id),
          ids: -> { here.next_id(:assignments) }
        )
      rows = life.live(@today - 7 * WEEKS...@today)
      # One piece is for the studio's evening.
      rows[:assignments].find { |row| row[:ended].nil? }&.store(:due_on, @today + 24) if id == 1
      here.write do |tables|
        rows.each do |table, all|
          write(tables, table, all.map { |row| { studio_id: @studio_id, student_id: id, **row } })
        end
      end
    end

    # Everything at once, a table at a time.
    def write(tables, table, rows)
      columns = rows.flat_map(&:keys).uniq
      dataset = tables.db[table]
      dataset.import(columns, rows.map { |row| columns.map { |name| row[name] } })
    end

    def assignment(here, file, routine, hand_order)
      piece = @pieces[file]
      page, row =
        here.read do |tables|
          row = Server::Repositories::Pieces.new(tables).find(piece[:id])
          [Server::Repositories::Pages.new(tables).read([[row[:id], row[:revision]]]), row]
        end
      page = page.page(row[:id], row[:revision], nil)
      Stairwell::Studio::Assignment.new(
        piece_id: row[:id],
        title: row[:title],
        revision: row[:revision],
        routine: routine,
        hand_order: hand_order,
        target_tempo: piece[:target_tempo],
        page: page,
        key: page.map.keys.first&.to_s
      )
    end
  end
end
