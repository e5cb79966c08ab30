# frozen_string_literal: true

require "open3"
require_relative "../spec_helper"
require "demo/people"
require_relative "../support/whole_machine"
require_relative "../support/patient_client"

# A server's backup, and what becomes of it: on the same server later, and on an empty one with
# another secret.
RSpec.describe "Backup and restore" do
  def run(machine, *command) =
    Open3.capture2e(
      { "STAIRWELL_DATA" => machine.folder, "DATABASE_URL" => nil, "STAIRWELL_SECRET" => nil },
      *command
    )

  let(:teacher) { Demo::People::TEACHERS.first }

  def client(machine) =
    PatientClient.new(machine.address).sign_in(teacher[:email], Demo::People::PASSWORD)

  def counted(machine) =
    machine.database do |db|
      %i[students pieces lesson_results practice_marks week_plans accounts].to_h do |table|
        [table, db[table].count]
      end
    end

  it "brings everything back: rows, sign-ins and the links of families, on this server and on another" do
    machine = WholeMachine.new.start
    other = WholeMachine.new(options: ["--empty"]).start
    file = File.join(machine.folder, "all.backup")
    before = counted(machine)
    desk = client(machine)
    sheet =
      desk
        .ask(:get, "/api/students")
        .lazy
        .map { |row| desk.ask(:get, "/api/students/#{row["id"]}")["sheet_path"] }
        .find(&:itself)
        .sub("/s/", "/api/sheet/")
    shown = desk.ask(:get, sheet)
    out, status = run(machine, "bin/backup", file)
    expect([status.exitstatus, out]).to match([0, /read back and counted/])
    expect(File.stat(file).mode & 0o077).to eq(0)
    desk.ask(:post, "/api/pieces", { script: "title: After\nbars: 4\n", key: SecureRandom.uuid })

    out, status = run(machine, "bin/restore", file)
    expect([status.exitstatus, out]).to match([1, /Stairwell runs\. Stop it first/])
    [machine, other].each(&:stop)
    out, status = run(machine, "bin/restore", file)
    expect([status.exitstatus, out]).to match(
      [1, /There are studios on this server\. Give --replace/]
    )
    File.write("#{file}.cut", File.binread(file)[0...-2_000])
    out, status = run(other, "bin/restore", "#{file}.cut")
    expect([status.exitstatus, out]).to match([1, /is no backup, or is damaged/])

    [[machine, "--replace"], [other]].each do |one, *more|
      out, status = run(one, "bin/restore", file, *more)
      expect([status.exitstatus, out]).to match([0, /is back: \d+ rows/])
      one.start
      expect(counted(one)).to eq(before)
      # The walls stand again, for the owner too.
      expect(
        one.database do |db|
          db.from(:pg_class).where(relrowsecurity: true, relforcerowsecurity: false).count
        end
      ).to eq(0)
      expect(client(one).ask(:get, sheet)).to eq(shown)
      client(one).ask(
        :post,
        "/api/pieces",
        { script: "title: Onward\nbars: 4\n", key: SecureRandom.uuid }
      )
      one.stop
    end

    # Who was erased since does not come back with it.
    machine.start
    gone = client(machine).ask(:get, "/api/students").last
    client(machine).ask(:post, "/api/students/#{gone["id"]}/erase", { name: gone["name"] })
    machine.database do |db|
      db[:erasure_requests].update(due_at: Sequel.lit("clock_timestamp()"))
      db[:que_jobs].where(job_class: "Stairwell::Server::Jobs::EraseStudent").update(
        run_at: Sequel.lit("now()")
      )
    end
    # The worker does it, as the role that it alone knows.
    200.times do
      break if machine.database { |db| db[:students].where(id: gone["id"]).empty? }

      sleep 0.1
    end
    machine.stop
    _, status = run(machine, "bin/restore", file, "--replace")
    expect(status.exitstatus).to eq(0)
    machine.start
    expect(counted(machine)[:students]).to eq(before[:students] - 1)
    expect(
      machine.database do |db|
        [
          db[:students].where(id: gone["id"]).count,
          db[:lesson_results].where(student_id: gone["id"]).count
        ]
      end
    ).to eq([0, 0])
    machine.stop
  ensure
    [machine, other].compact.each(&:remove)
  end
end
