# frozen_string_literal: true

require_relative "../spec_helper"
require "demo/people"
require_relative "../support/whole_machine"
require_relative "../support/patient_client"
require_relative "../../core/spec/support/slow"

# The plug is pulled again and again while people work: on the web server, the worker and
# PostgreSQL. What was answered is kept, once, and all come back without a hand.
RSpec.describe "A machine that falls", order: :defined do
  before(:context) { @machine = WholeMachine.new.start }
  after { |example| warn File.read(machine.log).lines.grep(/•/).last(12).join if example.exception }
  after(:context) { @machine.remove }

  let(:machine) { @machine }
  # A quarter of them in every run, 510 with SLOW=1.
  many = ->(times) { Slow.whole? ? times : times / 4 }

  let(:teacher) { Demo::People::TEACHERS.first }

  def client = PatientClient.new(machine.address).sign_in(teacher[:email], Demo::People::PASSWORD)

  # Kills each in turn, waiting until all is well, until the block is over.
  def while_falling
    falls = 0
    over = false
    killer =
      Thread.new do
        (%i[web database jobs] * (Slow.whole? ? 2 : 1)).each do |name|
          break if over

          machine.kill(name)
          falls += 1
          sleep 0.5 until over || machine.well?
          sleep 2
        end
      end
    yield
    over = true
    killer.join
    falls
  end

  it "keeps what it answered: marks, results, pieces and pages, each once" do
    first = client
    student =
      first
        .ask(:get, "/api/studio")
        .map { |row| row["id"] }
        .map { |id| first.ask(:get, "/api/students/#{id}") }
        .find { |one| one["sheet_path"] && one["pieces"].any? }
    sheet = student["sheet_path"].sub("/s/", "/api/sheet/")
    item = first.ask(:get, sheet)["days"].flat_map { |day| day["items"] }.first
    step = first.ask(:get, "/api/students/#{student["id"]}/lesson")["steps"].first
    page =
      first.ask(
        :post,
        "/api/pieces",
        { script: "title: Autosaved\nbars: 8\n", key: SecureRandom.uuid }
      )
    keys = Hash.new { |all, kind| all[kind] = [] }
    said = []

    falls =
      while_falling do
        [
          lambda do
            phone = PatientClient.new(machine.address)
            many[300].times do
              SecureRandom.uuid.then do |key|
                phone.ask(
                  :post,
                  "#{sheet}/marks",
                  {
                    key: key,
                    kind: "repetition",
                    assignment_id: item["assignment_id"],
                    step_id: item["step_id"]
                  }
                ) && keys[:marks] << key
              end
            end
          end,
          lambda do
            desk = client
            many[60].times do |at|
              SecureRandom.uuid.then do |key|
                desk.ask(
                  :post,
                  "/api/students/#{student["id"]}/results",
                  {
                    key: key,
                    assignment_id: step["assignment_id"],
                    step_id: step["id"],
                    result: %w[steady shaky][at % 2]
                  }
                ) && keys[:results] << key
              end
            end
          end,
          lambda do
            desk = client
            many[60].times do |at|
              SecureRandom.uuid.then do |key|
                desk.ask(
                  :post,
                  "/api/pieces",
                  { script: "title: Import #{at}\nbars: 4\n", key: key }
                ) && keys[:pieces] << key
              end
            end
            score = Stairwell::Formats::MusicXML.write(Demo::Pieces.fog_signal.map)
            many[12].times do
              SecureRandom.uuid.then do |key|
                desk.ask(
                  :post,
                  "/api/pieces/score?name=fog.musicxml&key=#{key}",
                  score,
                  type: "application/octet-stream"
                ) && keys[:pieces] << key
              end
            end
          end,
          lambda do
            desk = client
            script, revision = page.values_at("script", "revision")
            many[80].times do |at|
              script += "# line #{at}\n"
              revision =
                desk.ask(
                  :put,
                  "/api/pieces/#{page["id"]}/script",
                  { script: script, revision: revision }
                )[
                  "revision"
                ]
              said << "# line #{at}"
            end
          end
        ].map { |work| Thread.new(&work) }.each(&:join)
      end

    expect(falls).to be >= 3
    sleep 0.2 until machine.well?
    machine.database do |db|
      expect(db[:practice_marks].where(key: keys[:marks]).count).to eq(many[300])
      expect(db[:lesson_results].where(key: keys[:results]).count).to eq(many[60])
      expect(db[:pieces].where(key: keys[:pieces]).count).to eq(many[60] + many[12])
      expect(db[:pieces].where(Sequel.like(:title, "Import %")).count).to eq(many[60])
      expect(db[:map_revisions].where(piece_id: page["id"]).count).to eq(many[80] + 1)
      expect(
        db[:map_revisions]
          .where(piece_id: page["id"])
          .reverse(:revision)
          .get(:script)
          .lines(chomp: true)
          .last(many[80])
      ).to eq(said)
    end
  end

  it "says so while its database is away, and is whole again by itself" do
    machine.kill(:database)
    answers =
      Array.new(40) do
        sleep 0.1
        Net::HTTP.get_response(URI("#{machine.address}/health"))
      end
    away = answers.reject { |answer| answer.is_a?(Net::HTTPOK) }
    expect(
      away
        .map do |answer|
          [
            answer.code,
            answer["content-type"],
            answer["retry-after"],
            JSON.parse(answer.body)["detail"]
          ]
        end
        .uniq
    ).to eq(
      [
        [
          "503",
          "application/problem+json",
          "2",
          "Stairwell cannot reach its data just now; nothing was changed. Try again in a moment."
        ]
      ]
    )
    sleep 0.2 until machine.well?
  end

  it "waits for a database that stays away, and works on jobs when it is back" do
    version = File.join(machine.folder, "cluster/PG_VERSION")
    # As a full or lost disk would: PostgreSQL cannot start from this until it is mended.
    File.rename(version, "#{version}.away")
    machine.kill(:database)
    sleep 20
    File.rename("#{version}.away", version)
    Timeout.timeout(60) { sleep 0.2 until machine.well? && machine.processes[:jobs] }
    machine.database do |db|
      waiting = -> do
        db[:que_jobs].where(
          finished_at: nil,
          job_class: "Stairwell::Server::Jobs::PlanStudio"
        ).count
      end
      client.ask(:post, "/api/studio/plans", {})
      Timeout.timeout(60) { sleep 0.2 until waiting.call.zero? }
    end
  end

  it "knows the plain role's password alone, and has no rights of root" do
    Timeout.timeout(60) { sleep 0.1 until machine.processes.values.all? }
    web = machine.processes.fetch(:web)
    env = File.read("/proc/#{web}/environ").split("\0").to_h { |line| line.split("=", 2) }
    expect(env).not_to include("DATABASE_URL")
    expect(env.values.join).not_to include(
      File.read(File.join(machine.folder, "owner-password")).strip
    )
    uids =
      machine
        .processes
        .values_at(:web, :jobs)
        .map { |pid| File.read("/proc/#{pid}/status")[/^Uid:\s+(\d+)/, 1].to_i }
    expect(uids).to all(be_positive)
  end

  it "says in one sentence that it runs already" do
    out, status =
      Open3.capture2e(
        { "STAIRWELL_DATA" => machine.folder, "DATABASE_URL" => nil },
        "bin/start",
        "--port",
        "1"
      )
    expect([out.lines.size, status.exitstatus]).to eq([1, 1])
    expect(out).to include("Stairwell already runs from this folder, at #{machine.address}")
  end

  it "ends within ten seconds whatever is being computed, and leaves nothing behind" do
    busy = client
    Thread.new { busy.ask(:post, "/api/studio/plans", {}) }.join
    pids = machine.processes.values
    started = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    passed = -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) - started }
    machine.stop
    # PostgreSQL takes its file away a moment before it is gone.
    sleep 0.02 until passed.call > 10 || pids.none? { |pid| WholeMachine.runs?(pid) }
    expect(passed.call).to be < 10
    expect(pids.select { |pid| WholeMachine.runs?(pid) }).to eq([])
  end
end
