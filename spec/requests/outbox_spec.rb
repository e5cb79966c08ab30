# frozen_string_literal: true

require_relative "../spec_helper"
require "bin/lib/mailbox"
require "mail"

# Recaps on their way: through real SMTP, to the mailbox that ships, on loopback; what comes is read
# with the mail library.
RSpec.describe "The outbox" do
  let!(:studio) { TestApp.studio }
  let!(:student) do
    sign_in
    student_with_piece
  end
  let(:path) { "/api/students/#{student["id"]}" }
  let(:mailbox) { Mailbox.new.tap(&:start) }

  before { TestApp.now = Time.utc(2027, 3, 10, 16) }
  after { mailbox.close }

  # A server that was told of the mailbox.
  def with_mail
    allow_any_instance_of(Stairwell::Server::Settings).to receive(:smtp).and_return(
      Stairwell::Server::Settings::Smtp.new(
        host: "127.0.0.1",
        port: mailbox.port,
        from: "quay@quay.example"
      )
    )
    yield
  end

  def finish(email)
    ask(
      :put,
      path,
      Requests::STUDENT.merge(version: TestApp::OWNER[:students].get(:version), email: email)
    )
    ask(
      :put,
      "#{path}/lesson",
      {
        recap: "Play slowly – five times.\n.hidden\nÅse",
        version: ask(:get, "#{path}/lesson")["lesson"]["version"]
      }
    )
    ask(:post, "#{path}/lesson/finish", { send: true })
    expect(status).to eq(200)
  end

  # The jobs as the worker does them; what fails is noted and tried later.
  def deliver =
    TestApp::OWNER[:outbox]
      .where(sent_at: nil)
      .select_map(%i[studio_id id])
      .each do |studio, id|
        Stairwell::Server::Jobs::SendMail.allocate.run(studio, id)
      rescue StandardError
        nil
      end # rubocop:disable Style/RescueModifier

  def letters = ask(:get, "/api/outbox")

  it "sends a recap through a mail server, as it was written" do
    with_mail do
      finish("home@quay.example")
      expect(letters.map { |one| one["state"] }).to eq(["sending"])
      deliver
      expect(letters.first).to include("state" => "sent", "trouble" => nil)
      came = mailbox.mails.first
      read = Mail.read_from_string(came.text)
      expect([came.to, read.from, read.to, read.subject]).to eq(
        [
          ["<home@quay.example>"],
          ["quay@quay.example"],
          ["home@quay.example"],
          "Nell's week from 10 March"
        ]
      )
      expect(read.decoded).to include("Play slowly – five times.", ".hidden", "Åse")
    end
  end

  it "says what the mail server did not take and why, and tries again when asked" do
    with_mail do
      finish("nobody@quay.example")
      deliver
      letter = letters.first
      expect(letter).to include("state" => "failed", "trouble" => a_string_including("550"))
      expect(ask(:post, "/api/outbox/#{letter["id"]}/again", {}).first["state"]).to eq("sending")
      TestApp::OWNER[:outbox].update(recipient: "home@quay.example")
      deliver
      expect(letters.first["state"]).to eq("sent")
      expect(ask(:post, "/api/outbox/#{letter["id"]}/again", {})["code"]).to eq("sent")
      expect(mailbox.mails.size).to eq(1)
      expect(ask(:post, "/api/outbox/99/again", {})["status"]).to eq(404)
    end
  end

  it "waits where the server sends no mail, and says so" do
    finish("home@quay.example")
    expect(letters.map { |one| one["state"] }).to eq(["waiting"])
    expect(ask(:post, "/api/outbox/1/again", {})).to include(
      "status" => 422,
      "detail" => a_string_including("sends no mail")
    )
  end

  it "lists recaps that were begun, and those nobody can get" do
    lesson = ask(:get, "#{path}/lesson")["lesson"]
    ask(:put, "#{path}/lesson", { recap: "Slowly.", version: lesson["version"] })
    of = [{ "student_id" => student["id"], "student" => "Nell", "day" => "2027-03-10" }]
    expect(ask(:get, "/api/outbox/unsent")).to eq({ "drafts" => of, "unaddressed" => [] })
    ask(:post, "#{path}/lesson/finish", { send: false })
    expect(ask(:get, "/api/outbox/unsent")).to eq({ "drafts" => [], "unaddressed" => of })
    ask(
      :put,
      path,
      Requests::STUDENT.merge(
        version: TestApp::OWNER[:students].get(:version),
        contacts: [{ name: "Aunt", email: "aunt@quay.example" }]
      )
    )
    expect(status).to eq(200)
    expect(ask(:get, "/api/outbox/unsent")["unaddressed"]).to eq([])
    TestApp::OWNER[:students].update(contacts: Sequel.pg_jsonb([]))
    TestApp.now = Time.utc(2027, 3, 17, 16)
    sign_in
    ask(:post, "#{path}/lesson/finish", { send: false })
    # Each is told once, by the newest.
    expect(ask(:get, "/api/outbox/unsent")["unaddressed"].map { |one| one["day"] }).to eq(
      ["2027-03-17"]
    )
    TestApp.now = Time.utc(2027, 4, 20, 16)
    sign_in
    expect(ask(:get, "/api/outbox/unsent")["unaddressed"]).to eq([])
  end
end
