# frozen_string_literal: true

require_relative "../spec_helper"
require "demo/people"
require_relative "../support/whole_machine"
require_relative "../support/patient_client"

# Two machines on one PostgreSQL with one secret, as docs/load.md has it: they start at once, and
# whichever answers, it is one server.
RSpec.describe "Two servers on one database", order: :defined do
  before(:context) do
    @first = WholeMachine.new.start
    @others = Array.new(2) { WholeMachine.new(env: @first.shared, options: ["--empty"]) }
    @others.map { |machine| Thread.new { machine.start } }.each(&:value)
  end

  after(:context) { [*@others, @first].each(&:remove) }

  let(:machines) { [@first, *@others] }
  let(:teacher) { Demo::People::TEACHERS.first }
  let(:desk) { PatientClient.new(@first.address).sign_in(teacher[:email], Demo::People::PASSWORD) }

  it "know who signed in at another, and what was changed there" do
    key = SecureRandom.uuid
    clients = machines.map { |machine| desk.at(machine.address) }
    expect(
      clients.map { |client| client.ask(:get, "/api/session")["account"]["email"] }.uniq
    ).to eq([teacher[:email]])
    # Sent to each of them, it is one piece.
    made =
      clients.map do |client|
        client.ask(:post, "/api/pieces", { script: "title: Fog\nbars: 4\n", key: key })["id"]
      end
    expect(made.uniq.size).to eq(1)
    last = clients.last.ask(:get, "/api/news?since=-1&window=elsewhere1").last["data"].values.first
    heard = Thread.new { clients.last.ask(:get, "/api/news?since=#{last}&window=elsewhere1") }
    sleep 0.5
    clients.first.ask(
      :put,
      "/api/pieces/#{made.first}/script",
      { script: "title: Fog\nbars: 8\n", revision: 1 }
    )
    expect(heard.value.map { |news| news["data"]["piece_id"] }).to include(made.first)
  end

  it "work on each job once" do
    desk.ask(:post, "/api/studio/plans", {})
    Timeout.timeout(90) do
      sleep 0.5 until desk.ask(:get, "/api/studio/settings")["run"]["finished"]
    end
    desk.ask(:post, "/api/logout", {})
    clients = @others.map { |machine| desk.at(machine.address) }
    expect(clients.map { |client| client.ask(:get, "/api/session")["account"] }.uniq).to eq([nil])
  end
end
