# frozen_string_literal: true

require "securerandom"
require "server/app"
require_relative "people"
require_relative "pieces"

module Demo
  # Makes the demo studio through the same services a person uses, then lets its
  # students practise for some weeks. The same seed makes the same studio.
  class Studio
    WEEKS = 4
    # Share of planned repetitions that get done, by how a student does.
    ADHERENCE = {well: 0.95, middling: 0.7, stuck: 0.35}.freeze
    RESULTS = {
      well: %w[steady steady secure shaky], middling: %w[shaky steady not_yet steady], stuck: %w[not_yet shaky not_yet shaky]
    }.freeze

    # @param settings [Stairwell::Server::Settings]
    # @param seed [Integer]
    def initialize(settings, seed: 11)
      @settings = settings
      @random = Random.new(seed)
      @store = Stairwell::Server::Store.new(settings.app_url, connections: 2)
      @today = Stairwell::Server::Clock.new(settings.fixed_now).today(People::TIME_ZONE)
    end

    # @return [void]
    def make
      found
      load_pieces
      enrol
      (@today - 7 * WEEKS...@today).each { |day| live(day) }
      @store.db.disconnect
    end

    private

    def noon(day) = Time.utc(day.year, day.month, day.day, 12)

    def found
      @teachers = People::TEACHERS.map do |one|
        Stairwell::Server::Auth.add_account(@store.db, **one, password: People::PASSWORD)
      end
      @studio_id = @store.found_studio(name: People::STUDIO, time_zone: People::TIME_ZONE, owner_id: @teachers.first)
      at_desk { |desk| @teachers.drop(1).each { |id| desk.add(:memberships, account_id: id, role: "teacher") } }
    end

    def at_desk(teacher = 0, day: @today - 7 * WEEKS, &work)
      clock = Stairwell::Server::Clock.new(noon(day))
      Stairwell::Server::Desks.new(store: @store, clock: clock, settings: @settings)
        .for_studio(@studio_id, account_id: @teachers[teacher], &work)
    end

    def load_pieces
      @pieces = Pieces.all.to_h do |piece|
        at_desk do |desk|
          library = Stairwell::Server::Services::Library.new(desk)
          loaded = library.load_score(Stairwell::Formats::MusicXML.write(piece.map).b, "#{piece.file}.musicxml")
          # A score knows no book, level or aim; the teacher types them in.
          script = ["book: #{piece.map.book}", "level: #{piece.map.level}", loaded[:script].sub(/^tempo: .*/) { |line| "#{line}, aim #{piece.map.tempo.aim}" },
            *piece.sections.map { |one| "section #{one}" }].join("\n")
          Stairwell::Server::Services::Workbench.new(desk, loaded[:id]).save("#{script}\n", seen: loaded[:revision])
          [piece.file, {id: loaded[:id], aim: piece.map.tempo.aim}]
        end
      end
    end

    def enrol
      @students = People::STUDENTS.map do |name, teacher, days, minutes, begin_per_day, weekday, time, hand, files, ability|
        at_desk(teacher) do |desk|
          teaching = Stairwell::Server::Services::Teaching.new(desk)
          student = teaching.add(
            name: name, practice_days: days, minutes_a_day: minutes, begin_per_day: begin_per_day, lesson_weekday: weekday,
            lesson_time: time, hand_order: hand
          )
          files.each { |file| give(teaching, student[:id], file, hand) }
          teaching.renew_link(student[:id])
          {id: student[:id], teacher: teacher, weekday: weekday, ability: ability}
        end
      end
    end

    def give(teaching, id, file, hand)
      teaching.give(id, {piece_id: @pieces[file][:id], routine: "hand_by_hand", hand_order: hand, aim: @pieces[file][:aim]})
    end

    def live(day)
      @students.each do |student|
        at_desk(student[:teacher], day: day) do |desk|
          practise(desk, student)
          hear(desk, student) if day.wday == student[:weekday]
        end
      end
    end

    def practise(desk, student)
      sheet = Stairwell::Server::Services::Sheet.new(desk, student[:id])
      today = sheet.show[:days].find { |one| one[:date] == desk.today.to_s }
      return unless today && @random.rand < ADHERENCE[student[:ability]]

      today[:items].each do |item|
        done = (@random.rand < ADHERENCE[student[:ability]]) ? item[:repetitions] : @random.rand(item[:repetitions])
        done.times { mark(sheet, item, "repetition") }
        mark(sheet, item, "struggle") if done.positive? && @random.rand > ADHERENCE[student[:ability]]**0.5
      end
    end

    def mark(sheet, item, kind)
      sheet.mark(kind: kind, key: uuid, assignment_id: item[:assignment_id], step_id: item[:step_id])
    end

    def hear(desk, student)
      lesson = Stairwell::Server::Services::Lesson.new(desk)
      tried = lesson.show(student[:id])[:heard].select { |one| one[:credited].positive? && !%w[steady secure].include?(one[:state]) }
      tried.first(3).each do |one|
        lesson.hear(
          student[:id], assignment_id: one[:assignment_id], step_id: one[:id], key: uuid,
          result: RESULTS[student[:ability]].sample(random: @random)
        )
      end
      Stairwell::Server::Services::PlanWeek.new(desk).call(desk[:students].first(id: student[:id]), from: desk.today + 1)
    end

    def uuid = SecureRandom.uuid
  end
end
