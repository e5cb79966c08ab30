# frozen_string_literal: true

require_relative "../spec_helper"
require "zlib"
require "db/prepare"

# Two students of the demo studio as the version before kept them, on 2026-11-30, with a
# changed target, work beside the pieces, a section opened, a step made slower, a
# routine of the studio's own and a week changed by hand: fixtures/version_11.sql.gz,
# dumped by pg_dump from schema 11. fixtures/version_11.json is what the API of that
# version answered on the same day.
RSpec.describe "A database made by the version before", order: :defined do
  fixtures = File.expand_path("../fixtures", __dir__)
  owner_url = URI(TestApp::SETTINGS.owner_url).tap { |uri| uri.path = "#{uri.path}_before" }.to_s
  env = ENV.to_h.merge("DATABASE_URL" => owner_url, "STAIRWELL_NOW" => "2026-11-30T10:00:00Z")
  before_it = JSON.parse(File.read("#{fixtures}/version_11.json"))

  before(:context) do
    Sequel.extension :migration
    name = File.basename(URI(owner_url).path)
    TestApp::OWNER.run("DROP DATABASE IF EXISTS #{name} WITH (FORCE)")
    TestApp::OWNER.run("CREATE DATABASE #{name} TEMPLATE template0 ENCODING 'UTF8'")
    Sequel.connect(owner_url) do |db|
      Sequel::Migrator.run(db, "db/migrations", target: 11)
      # Rows come in the alphabet's order, before what they point at.
      db.run("SET session_replication_role = replica")
      db.run(Zlib::GzipReader.open("#{fixtures}/version_11.sql.gz", &:read))
      db.run("SET session_replication_role = origin")
      Sequel::Migrator.run(db, "db/migrations")
      @settings = Stairwell::Server::Settings.from_env(env)
      Stairwell::Prepare.sign_links(db, @settings.link_secrets)
    end
    Stairwell::Prepare.draw(@settings)
    @upgraded_store = Stairwell::Server::Store.new(@settings.app_url)
    @upgraded =
      Stairwell::Server.app(
        @settings,
        store: @upgraded_store,
        clock: Stairwell::Server::Clock.new(@settings.fixed_now),
        log: StringIO.new
      )
  end

  after(:context) do
    @upgraded_store.db.disconnect
    # What counts requests and keeps jobs is one for the whole process.
    TestApp.again
    TestApp::OWNER.run("DROP DATABASE IF EXISTS #{File.basename(URI(owner_url).path)} WITH (FORCE)")
  end

  def app = @upgraded

  before { sign_in(email: "ines@harboursteps.example", password: "harbour-steps") }

  before_it.each do |was|
    describe "of #{was["name"]}" do
      let(:student) { ask(:get, "/api/students/#{was["id"]}") }

      it "keeps each piece: its target, its progress, what is introduced, every step and its state" do
        now =
          student["pieces"].map do |piece|
            steps =
              piece["steps"].map do |step|
                step.values_at(
                  "id",
                  "state",
                  "credited",
                  "good_days",
                  "minutes",
                  "tempo",
                  "repetitions"
                )
              end
            introduced =
              piece["introductions"].select { |one| one["introduced"] }.map { |one| one["what"] }
            piece.slice("title", "percent", "target_tempo", "due_on").merge(
              "introduced" => introduced,
              "steps" => steps
            )
          end
        # Dates to come follow other rules since.
        expect(now).to eq(was["pieces"].map { |piece| piece.except("outlook") })
      end

      it "keeps the week that stands, as the planner and the teacher's hand left it" do
        week =
          student["week"]["days"].map do |day|
            [
              day["date"],
              day["items"].map { |item| item.values_at("id", "minutes", "repetitions") }
            ]
          end
        expect(week).to eq(was["week"])
      end

      it "keeps weeks and lessons that are over, and how regularly was practised" do
        weeks =
          student["weeks"].map do |week|
            week.values_at(
              "starts",
              "next_lesson",
              "planned",
              "practised",
              "minutes",
              "planned_minutes"
            ) << week["days"].map { |day| day.values_at("date", "of", "repetitions") }
          end
        expect(weeks).to eq(was["weeks"])
        expect(student["lessons"].map { |one| one.values_at("day", "recap", "results") }).to eq(
          was["lessons"]
        )
        expect(
          student["repertoire"].map { |one| one.values_at("title", "ended", "ended_on") }
        ).to eq(was["repertoire"])
        expect(student.values_at("adherence", "pace")).to eq(was.values_at("adherence", "pace"))
      end

      it "keeps work beside the pieces" do
        expect(
          student["extra_work"].map { |one| one.values_at("kind", "title", "minutes", "times") }
        ).to eq(was["work"])
      end
    end
  end

  it "keeps what the teacher changed in a week by hand" do
    expect(ask(:get, "/api/students/7")["overrides"]).to eq(
      "list" => [
        { "id" => "18/whole.tempo-60", "date" => "2026-12-03", "kind" => "on", "repetitions" => 6 },
        {
          "id" => "extra 1",
          "date" => "2026-12-05",
          "kind" => "added",
          "title" => "Play it to Grandpa",
          "minutes" => 4.0
        },
        { "id" => "19/B.listen", "kind" => "off" }
      ],
      "version" => 3
    )
  end

  it "opens the studio's own routine, with its stage on joins" do
    own = ask(:get, "/api/routines").find { |one| one["name"] == "Jory's way" }
    expect(own["stages"].map { |one| one["scope"] } & %w[join seam]).to eq(["join"])
  end

  it "shows every page of the application" do
    %w[/api/today /api/studio /api/pieces /api/outbox /api/students].each do |path|
      ask(:get, path)
      expect([path, status]).to eq([path, 200])
    end
    ask(:get, "/api/pieces").each do |piece|
      ask(:get, "/api/pieces/#{piece["id"]}") and expect(status).to eq(200)
    end
  end

  # Last, since it changes what the others compare.
  describe "from now on" do
    it "can be taught on: heard, tapped, planned again, finished" do
      before_it.each do |was|
        lesson = ask(:get, "/api/students/#{was["id"]}/lesson")
        step = lesson["steps"].find { |one| one["state"] != "secure" }
        ask(
          :post,
          "/api/students/#{was["id"]}/results",
          {
            assignment_id: step["assignment_id"],
            step_id: step["id"],
            result: "shaky",
            key: SecureRandom.uuid
          }
        )
        expect(status).to eq(201)
        sheet =
          ask(:post, "/api/students/#{was["id"]}/link", {})["sheet_path"].sub("/s/", "/api/sheet/")
        item = ask(:get, sheet)["days"].flat_map { |day| day["items"] }.first
        tap(sheet, item)
        expect(status).to eq(200)
        ask(:post, "/api/students/#{was["id"]}/week", {})
        expect(status).to eq(200)
        ask(:post, "/api/students/#{was["id"]}/lesson/finish", { send: false })
        expect(status).to eq(200)
      end
    end
  end
end
