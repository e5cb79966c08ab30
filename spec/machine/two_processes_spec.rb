# frozen_string_literal: true

require_relative "../spec_helper"
require "demo/people"
require_relative "../support/whole_machine"
require_relative "../support/patient_client"

# Two web processes behind one port: whichever answers, it is one server.
RSpec.describe "Two web processes", order: :defined do
  before(:context) { @machine = WholeMachine.new.start }
  after(:context) { @machine.remove }

  let(:machine) { @machine }
  let(:teacher) { Demo::People::TEACHERS.first }
  let(:desk) { PatientClient.new(machine.address).sign_in(teacher[:email], Demo::People::PASSWORD) }

  # Tries to sign in that were counted, in whatever minute.
  def guesses =
    machine.database do |db|
      db[:rate_counts].where(Sequel.like(:key, "%:sign-in:%")).sum(:count).to_i
    end

  # Processes that wait for news of PostgreSQL.
  def listening =
    machine.database do |db|
      db[:pg_stat_activity].where(Sequel.like(:query, "LISTEN _message_bus%")).count
    end

  it "tell everyone who listens, wherever they are answered" do
    student =
      desk
        .ask(:get, "/api/students")
        .map { |row| desk.ask(:get, "/api/students/#{row["id"]}") }
        .find { |one| one["sheet_path"] && one["pieces"].any? }
    sheet = student["sheet_path"].sub("/s/", "/api/sheet/")
    item =
      PatientClient.new(machine.address).ask(:get, sheet)["days"]
        .flat_map { |day| day["items"] }
        .first
    # Each of them may be answered by either; twenty are not all by one.
    since =
      Array.new(20) do |at|
        desk.ask(:get, "/api/news?since=-1&window=window#{at}aaaa").last["data"].values.first
      end
    expect(listening).to eq(2)
    heard =
      since.each_with_index.map do |last, at|
        Thread.new { desk.ask(:get, "/api/news?since=#{last}&window=window#{at}aaaa") }
      end
    sleep 1
    PatientClient.new(machine.address).ask(
      :post,
      "#{sheet}/marks",
      {
        key: SecureRandom.uuid,
        kind: "repetition",
        assignment_id: item["assignment_id"],
        step_id: item["step_id"]
      }
    )
    # Without news they are answered with nothing, in half a minute.
    heard
      .map(&:value)
      .each do |news|
        expect(news.map { |one| one["data"]["student_id"] }).to include(student["id"])
      end
  end

  it "hear what a job does in a process of its own" do
    last = desk.ask(:get, "/api/news?since=-1&window=jobjobjob1").last["data"].values.first
    desk.ask(:post, "/api/studio/plans", {})
    Timeout.timeout(60) do
      loop do
        news = desk.ask(:get, "/api/news?since=#{last}&window=jobjobjob1")
        last = [last, *news.map { |one| one["message_id"] }].max
        break if desk.ask(:get, "/api/studio/settings")["run"]["finished"]
      end
    end
  end

  it "take what is uploaded, and count sign-ins together" do
    score = Stairwell::Formats::MusicXML.write(Demo::Pieces.fog_signal.map)
    titles =
      Array
        .new(6) do
          desk.ask(
            :post,
            "/api/pieces/score?name=fog.musicxml&key=#{SecureRandom.uuid}",
            score,
            type: "application/octet-stream"
          )
        end
        .map { |piece| desk.ask(:get, "/api/pieces/#{piece["id"]}")["title"] }
    expect(titles.uniq.size).to eq(1)
    # Each process counts for both: none of ten guesses is missing, whichever answers it.
    stranger = PatientClient.new(machine.address)
    before = guesses
    stranger.guess(10)
    expect(guesses - before).to eq(10)
    expect(stranger.guess_until_told_to_wait).to be(true)
    # A desk that is signed in goes on, whoever answers.
    expect(Array.new(20) { desk.once(:get, "/api/session").code }.uniq).to eq(["200"])
  end
end
