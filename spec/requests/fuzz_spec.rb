# frozen_string_literal: true

require_relative "../spec_helper"
require "fuzz/demo"
require_relative "../../core/spec/support/slow"

# A short run of bin/fuzz, another one each day.
RSpec.describe "What nobody means" do
  let!(:studio) { TestApp.studio }
  let!(:student) do
    sign_in
    student_with_piece
  end
  let(:seed) { Integer(ENV.fetch("FUZZ_SEED", Date.today.jd)) }

  def fuzz =
    Fuzz::Demo.on(
      TestApp.app,
      TestApp::OWNER,
      seed: seed,
      people: [{ email: "owner@quay.example", password: TestApp::PASSWORD }],
      tokens: [student["sheet_path"].delete_prefix("/s/")]
    )

  it "is refused as a problem, or borne" do
    found = fuzz.requests(Slow.whole? ? 800 : 300).scores(Slow.whole? ? 30 : 10)
    wrong = found.faults.reject(&:slow?).join("\n")
    expect(wrong).to eq(""), "FUZZ_SEED=#{seed}\n#{wrong}\n#{TestApp::LOG.string[0, 4_000]}"
    # It got through the door, and further than the contract.
    expect(found.statuses.keys).to include(200, 201, 400, 401, 404)
  end

  # A fuzzer that finds nothing might look at nothing.
  it "is found where it is not borne" do
    faulty =
      lambda do |env|
        if env["PATH_INFO"].start_with?("/api/pieces")
          next 500, { "content-type" => "application/json" }, ["{}"]
        end
        # Addresses with many operations, so that some of few requests come to each.
        if env["PATH_INFO"].start_with?("/api/students")
          next 400, { "content-type" => "text/html" }, ["<h1>Bad Request</h1>"]
        end

        raise "no" if env["PATH_INFO"].start_with?("/api/classes", "/api/routines")
        TestApp.app.call(env)
      end
    found =
      Fuzz::Demo.on(
        faulty,
        TestApp::OWNER,
        seed: 1,
        people: [{ email: "owner@quay.example", password: TestApp::PASSWORD }],
        tokens: []
      ).requests(250)
    expect(found.faults.map(&:what).join("\n")).to include(
      "500 {}",
      "a refusal that is no problem: 400 text/html",
      "the application raised RuntimeError: no"
    )
  end
end
