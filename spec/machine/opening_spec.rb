# frozen_string_literal: true

require "open3"
require_relative "../spec_helper"
require_relative "../support/whole_machine"
require_relative "../support/patient_client"

# A server without demo data: only who sees its start can open the studio.
RSpec.describe "A server that starts empty" do
  def run(machine, *command) =
    Open3.capture2e(
      {
        "STAIRWELL_DATA" => machine.folder,
        "DATABASE_URL" => nil,
        "STAIRWELL_SECRET" => nil,
        "STAIRWELL_ADDRESS" => nil
      },
      "bin/studio",
      *command
    )

  it "prints a code that opens the first studio, and bin/studio more of them" do
    machine = WholeMachine.new(options: ["--empty"]).start
    code = File.read(machine.log)[/with the code (\S+)/, 1]
    visitor = PatientClient.new(machine.address)
    session = -> { visitor.ask(:get, "/api/session").tap { |found| visitor.token = found["csrf"] } }
    expect(session.call).to include("empty" => true, "account" => nil)
    owner = {
      time_zone: "Europe/Lisbon",
      name: "Aura",
      email: "aura@lane.example",
      password: "a lantern on the quay"
    }
    open = ->(with, studio) do
      visitor.once(:post, "/api/open", { code: with, studio: studio, **owner }).code
    end
    expect(
      [open["BCDF-GHJK-MNPQ", "Low Lane"], open[code, "Low Lane"], open[code, "Low Lane"]]
    ).to eq(%w[422 201 422])
    out, = run(machine, "open")
    expect(out).to include("Enter it at #{machine.address}/open")
    expect(open[out[/^ +(\S{4}-\S{4}-\S{4})$/, 1], "High Lane"]).to eq("201")
    out, = run(machine, "password", "aura@lane.example")
    key = out[%r{#{machine.address}/password#(\S+)}, 1]
    visitor.ask(:post, "/api/reset-password", { key: key, password: "another lantern there" })
    visitor.sign_in("aura@lane.example", "another lantern there")
    expect(session.call["studios"].map { |studio| studio["name"] }).to eq(["Low Lane", "High Lane"])
  ensure
    machine&.remove
  end
end
