# frozen_string_literal: true

require "server/app"
require_relative "life"
require_relative "people"
require_relative "pieces"

module Demo
  # Makes the demo studio through the same services a person uses, then lets its
  # students practise for some weeks. The same seed makes the same studio.
  class Studio
    WEEKS = 12

    # @param settings [Stairwell::Server::Settings]
    # @param seed [Integer]
    def initialize(settings, seed: 11)
      @settings = settings
      @seed = seed
      @store = Stairwell::Server::Store.new(settings.app_url, connections: 2)
      @today = Stairwell::Server::Clock.new(settings.fixed_now).today(People::TIME_ZONE)
    end

    # @return [void]
    def make
      found
      load_pieces
      enrol
      at_desk(day: @today) { |desk| loop { break if Stairwell::Server::Services::Overview.new(desk).freshen.zero? } }
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
          # A score knows no book, level or target tempo; the teacher types them in.
          script = ["book: #{piece.map.book}", "level: #{piece.map.level}", loaded[:script].sub(/^tempo: .*/) { |line| "#{line}, target #{piece.map.tempo.target}" },
            *Pieces.starts(piece.map, piece.sections), *piece.sections.map { |one| "section #{one}" }].join("\n")
          Stairwell::Server::Services::Workbench.new(desk, loaded[:id]).save("#{script}\n", seen: loaded[:revision])
          [piece.file, {id: loaded[:id], target_tempo: piece.map.tempo.target}]
        end
      end
    end

    def enrol
      People::STUDENTS.each do |name, teacher, days, minutes, begin_per_day, weekday, time, hand, routine, files, ability|
        at_desk(teacher) do |desk|
          teaching = Stairwell::Server::Services::Teaching.new(desk)
          id = teaching.add(
            name: name, practice_days: days, minutes_a_day: minutes, begin_per_day: begin_per_day, lesson_weekday: weekday,
            lesson_time: time, hand_order: hand, class_name: (People::CLASS if [weekday, time] == People::CLASS_TIME), reads: routine != "say_clap_play", warm_ups: (begin_per_day > 2) ? "scale" : "five_finger"
          )[:id]
          live(desk, id, files, routine, ability)
          teaching.renew_link(id)
        end
      end
    end

    # Some weeks up to yesterday. Every student has a chance of their own, so that
    # one more changes nothing for the others.
    def live(desk, id, files, routine, ability)
      desks = ->(date) { desk.with(clock: Stairwell::Server::Clock.new(noon(date))) }
      gifts = (files | @pieces.keys).map { |file| {piece_id: @pieces[file][:id], target_tempo: @pieces[file][:target_tempo]} }
      Life.new(desks, desk[:students].first(id: id), gifts, routine: routine, ability: ability, random: Random.new(@seed + id)).live(@today - 7 * WEEKS...@today)
      concert(desk, id) if id == 1
    end

    # One piece is for the studio's evening.
    def concert(desk, id)
      row = desk[:assignments].where(student_id: id, ended: nil).order(:id).first
      desk[:assignments].where(id: row[:id]).update(due_on: @today + 24) if row
    end
  end
end
