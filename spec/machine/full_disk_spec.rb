# frozen_string_literal: true

require_relative "../spec_helper"
require "demo/people"
require_relative "../support/whole_machine"
require_relative "../support/patient_client"
require_relative "../../core/spec/support/slow"

# A data folder on a small file system that fills up.
RSpec.describe "A disk that is full", order: :defined do
  before(:context) do
    @folder = Dir.mktmpdir("stairwell-disk")
    @mounted =
      Process.uid.zero? &&
        system("mount", "-t", "tmpfs", "-o", "size=400m", "tmpfs", @folder, err: File::NULL)
    @machine = WholeMachine.new(@folder).start if @mounted
  end

  after(:context) do
    @machine&.stop
    system("umount", @folder) if @mounted
    FileUtils.rm_rf(@folder)
  end

  before do
    unless @mounted
      skip "only root may mount a small file system, and only where the machine lets it"
    end
  end

  # Before and after: ten writes in every run, 300 with SLOW=1.
  let(:some) { Slow.whole? ? 150 : 5 }
  let(:ballast) { File.join(@folder, "ballast") }

  def fill
    File.open(ballast, "wb") { |file| loop { file.write("x" * 65_536) } }
  rescue Errno::ENOSPC
    nil
  end

  it "is said in words, loses nothing that was answered, and all goes on when there is room again" do
    teacher = Demo::People::TEACHERS.first
    client = PatientClient.new(@machine.address).sign_in(teacher[:email], Demo::People::PASSWORD)
    kept = []
    piece = -> do
      SecureRandom.uuid.then do |key|
        client.ask(:post, "/api/pieces", { script: "title: #{key}\nbars: 40\n", key: key }) &&
          kept << key
      end
    end
    some.times { piece.call }
    fill
    refusals = []
    200.times do |at|
      answer =
        client.once(
          :post,
          "/api/pieces",
          {
            script: "title: Full #{at}\npage 1: 4 4\n#{"# a line of some length\n" * 2_000}",
            key: SecureRandom.uuid.tap { |key| kept << key }
          }
        )
      next if answer.code == "201"

      kept.pop
      refusals << [answer.code, JSON.parse(answer.body)["code"]]
      break if refusals.size == 3
    rescue *PatientClient::LOST
      kept.pop
      refusals << %w[503 database_away]
    end
    expect(refusals.uniq - [%w[503 disk_full], %w[503 database_away]]).to eq([])
    expect(refusals.size).to be_positive
    FileUtils.rm(ballast)
    some.times { piece.call }
    @machine.database { |db| expect(db[:pieces].where(key: kept).count).to eq(kept.size) }
  end

  it "is said before anything is begun" do
    @machine.stop
    fill
    out, status =
      Open3.capture2e(
        { "STAIRWELL_DATA" => @folder, "DATABASE_URL" => nil, "STAIRWELL_SECRET" => nil },
        "bin/start",
        "--port",
        "0"
      )
    expect([out.lines.size, status.exitstatus]).to eq([1, 1])
    expect(out).to match(/\AThe disk that holds #{@folder} is full: \d+ MB are left/)
  ensure
    FileUtils.rm_f(ballast)
  end
end
