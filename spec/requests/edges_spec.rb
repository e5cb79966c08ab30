# frozen_string_literal: true

require_relative "../spec_helper"

# The largest numbers the contract takes, and the next: what counts up has room for one more.
RSpec.describe "The edges of what is counted" do
  before do
    TestApp.studio
    sign_in
    student_with_piece
  end

  most = 2**31 - 2

  it "are taken and found stale, and what is beyond them is refused with its field" do
    klass =
      ask(
        :post,
        "/api/classes",
        {
          key: SecureRandom.uuid,
          name: "Monday",
          weekday: 1,
          time: "19:00",
          minutes: 60,
          members: []
        }
      )
    expect(status).to eq(201)
    routine = ask(:post, "/api/routines/hand_by_hand/copy", { name: "Mine" })
    asked = {
      "/api/pieces/1/script" => ["revision", { script: Requests::SCRIPT }],
      "/api/students/1" => ["version", Requests::STUDENT],
      "/api/students/1/lesson" => ["version", { recap: "Well done." }],
      "/api/classes/#{klass["id"]}" => ["version", { name: "Tuesday" }],
      "/api/students/1/lessons/2027-03-10" => ["version", { time: "17:00" }],
      "/api/students/1/week/overrides" => [
        "seen",
        { overrides: [{ key: SecureRandom.uuid, kind: "drop", id: "1/A.right", date: nil }] }
      ],
      "/api/routines/#{routine["key"]}" => [
        "version",
        { name: "Mine", stages: routine["stages"].map(&:compact) }
      ]
    }
    asked.each do |path, (field, body)|
      method = (field == "seen") ? :post : :put
      [most, most + 1, 2**31, 2**53 - 1].each do |number|
        answer = ask(method, path, body.merge(field => number))
        expect(status).to be_between(400, 499), "#{path} #{number}: #{status} #{answer}"
        expect([path, answer["field"]]).to eq([path, field]) if number > most
      end
    end
  end
end
