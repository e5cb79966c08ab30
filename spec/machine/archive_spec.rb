# frozen_string_literal: true

require "digest"
require "open3"
require "zip"
require_relative "../spec_helper"
require "demo/people"
require_relative "../support/whole_machine"
require_relative "../support/patient_client"

# The demo studio as one file, and on an empty server with another database and another secret;
# while the plug is pulled on both again and again.
RSpec.describe "An archive between two servers", order: :defined do
  before(:context) do
    @from = WholeMachine.new.start
    @to = WholeMachine.new(options: ["--empty"]).start
  end

  after(:context) { [@from, @to].each(&:remove) }

  let(:teacher) { Demo::People::TEACHERS.first }
  let(:here) { PatientClient.new(@from.address).sign_in(teacher[:email], Demo::People::PASSWORD) }
  # Who opens the other studio has the same address: they are the same person there.
  let(:there) { PatientClient.new(@to.address).sign_in(teacher[:email], "a lantern on the quay") }

  def open_studio
    visitor = PatientClient.new(@to.address)
    visitor.token = visitor.ask(:get, "/api/session")["csrf"]
    code = File.read(@to.log)[/with the code (\S+)/, 1]
    visitor.ask(
      :post,
      "/api/open",
      {
        code: code,
        studio: "Nothing yet",
        time_zone: "Europe/Lisbon",
        name: teacher[:name],
        email: teacher[:email],
        password: "a lantern on the quay"
      }
    )
  end

  def archive = here.once(:get, "/api/studio/archive.zip")

  # What is of the studio, without what each server has of its own.
  def counted(machine)
    own = %i[
      openings
      que_jobs
      que_lockers
      que_values
      message_bus
      history
      schema_info
      rate_counts
      sheet_links
      student_summaries
      piece_figures
      number_starts
      archive_loads
      archive_parts
    ]
    machine.database do |db|
      db
        .tables
        .reject { |name| own.include?(name) || name.to_s.start_with?("account") }
        .to_h { |name| [name, db[name].count] }
    end
  end

  def whole?(bytes)
    Zip::File.open_buffer(bytes) do |zip|
      list = JSON.parse(zip.read("archive.json"))
      return(
        list["files"].all? do |file|
          Digest::SHA256.hexdigest(zip.read(file["name"])) == file["sha256"]
        end
      )
    end
  rescue Zip::Error, Zlib::Error
    false
  end

  # Each of them is killed a moment after the work began; what it gave.
  def falling(machine, after)
    %i[web database jobs].map do |name|
      work = Thread.new { yield }.tap { |thread| thread.report_on_exception = false }
      sleep after
      machine.kill(name)
      answer =
        begin
          work.value
        rescue *PatientClient::LOST
          nil
        end
      sleep 0.2 until machine.well?
      answer
    end
  end

  it "is whole or none where the plug is pulled while it is made" do
    falling(@from, 0.5) { archive }.compact.each do |answer|
      expect([answer.code.to_i >= 500, whole?(answer.body)]).to include(true)
    end
    @bytes = archive.body
    expect(whole?(@bytes)).to be(true)
    File.binwrite(File.join(@from.folder, "studio.zip"), @bytes)
  end

  it "is loaded whole or not at all where the plug is pulled meanwhile, and once" do
    open_studio
    bytes = File.binread(File.join(@from.folder, "studio.zip"))
    nothing = counted(@to)
    bring = -> { there.once(:post, "/api/studio/archive", bytes, type: "application/octet-stream") }
    there
    # The first is taken in; the others find it waiting, or lost with its connection.
    falling(@to, 1.5) { bring.call }
    all = counted(@from)
    until (state = there.ask(:get, "/api/studio/archive"))["state"] == "loaded"
      expect(state["state"]).not_to eq("failed"), state.inspect
      expect(counted(@to)).to eq(nothing).or eq(all)
      bring.call if state["state"] == "none"
      sleep 0.5
    end
    expect(bring.call.code).to eq("409")
    expect(nothing.values_at(:students, :pieces)).to eq([0, 0])
    expect(counted(@to)).to eq(all)
  end

  it "shows the same on every screen" do
    # What jobs work out about each student is there.
    Timeout.timeout(240) do
      [here, there].each do |client|
        sleep 1 until client.ask(:get, "/api/studio").all? { |row| row["known"] }
      end
    end
    rows = here.ask(:get, "/api/students")
    students = rows.map { |row| row["id"] }
    # Who has left has no lesson.
    held = rows.reject { |row| row["left_on"] }.map { |row| row["id"] }
    pieces = here.ask(:get, "/api/pieces").map { |row| row["id"] }
    paths = %w[
      /api/studio
      /api/students
      /api/pieces
      /api/routines
      /api/today
      /api/classes
      /api/outbox
      /api/people
      /api/covers
      /api/studio/settings
      /api/studio/keeping
    ]
    paths +=
      students.flat_map { |id| ["/api/students/#{id}", "/api/students/#{id}/messages"] } +
        held.map { |id| "/api/students/#{id}/lesson" } +
        pieces.flat_map { |id| ["/api/pieces/#{id}", "/api/pieces/#{id}/revisions"] }
    names =
      [@from, @to].map { |machine| machine.database { |db| db[:accounts].select_hash(:id, :name) } }
    wrong =
      paths.flat_map do |path|
        different(
          plain(here.ask(:get, path), names.first),
          plain(there.ask(:get, path), names.last),
          [path]
        )
      end
    expect(wrong.first(8)).to eq([])
  end

  # Numbers of people are the server's own, and so are private links; what is worked out in the
  # background may be a moment older.
  def plain(value, names)
    case value
    when Hash
      value
        .except(
          "run",
          "fresh",
          "sheet_path",
          "calendar_path",
          "email",
          *("id" if value.key?("role"))
        )
        .to_h do |key, inner|
          [
            key,
            (
              if key.end_with?("_id") &&
                   !%w[student_id piece_id assignment_id class_id step_id].include?(key) &&
                   inner.is_a?(Integer)
                names[inner]
              else
                plain(inner, names)
              end
            )
          ]
        end
    when Array
      value.map { |inner| plain(inner, names) }
    else
      value
    end
  end

  def different(one, other, at)
    return [] if one == other
    unless one.instance_of?(other.class) && one.is_a?(Enumerable) && one.size == other.size
      return [[at.join(" "), one, other]]
    end

    pairs =
      (
        if one.is_a?(Hash)
          one.map { |key, value| [key, value, other[key]] }
        else
          one.zip(other).each_with_index.map { |both, index| [index, *both] }
        end
      )
    pairs.flat_map { |key, value, another| different(value, another, [*at, key]) }
  end

  it "is brought back by a backup whole or not at all where the plug is pulled while it is restored" do
    run = ->(*command) do
      Open3.capture2e(
        { "STAIRWELL_DATA" => @to.folder, "DATABASE_URL" => nil, "STAIRWELL_SECRET" => nil },
        *command
      )
    end
    file = File.join(@to.folder, "all.backup")
    _, status = run.call("bin/backup", file)
    expect(status.exitstatus).to eq(0)
    there.ask(:post, "/api/pieces", { script: "title: After\nbars: 4\n", key: SecureRandom.uuid })
    before = counted(@to)
    @to.stop
    [2, 3, 4, 5].each do |after|
      restore =
        Process.spawn(
          { "STAIRWELL_DATA" => @to.folder, "DATABASE_URL" => nil, "STAIRWELL_SECRET" => nil },
          "bin/restore",
          file,
          "--replace",
          pgroup: true,
          out: File::NULL,
          err: File::NULL
        )
      sleep after
      Process.kill(:KILL, -restore)
      Process.wait(restore)
      # PostgreSQL has a group of its own.
      pid = File.read(File.join(@to.folder, "cluster/postmaster.pid")).to_i
      Process.kill(:KILL, pid)
    rescue Errno::ENOENT, Errno::ESRCH
      nil
    end
    @to.start
    expect(counted(@to)[:pieces]).to eq(before[:pieces]).or eq(before[:pieces] - 1)
    @to.stop
    out, status = run.call("bin/restore", file, "--replace")
    expect([status.exitstatus, out]).to match([0, /is back/])
    @to.start
    expect(counted(@to)).to eq(
      before.merge(pieces: before[:pieces] - 1, map_revisions: before[:map_revisions] - 1)
    )
  end
end
