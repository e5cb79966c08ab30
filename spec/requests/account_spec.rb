# frozen_string_literal: true

require_relative "../spec_helper"

# What a person does with their own account: forgotten and changed passwords, another
# address, and what was done with it.
RSpec.describe "An account" do
  before do
    TestApp.studio
    Stairwell::Server::Jobs.contexts = contexts
    allow_any_instance_of(Stairwell::Server::Mailer).to receive(:deliver) { |_, **mail|
      mails << mail
    }
  end

  after { TestApp.again }

  let(:mails) { [] }
  let(:settings) do
    Stairwell::Server::Settings.new(
      ENV.to_h.merge(
        "STAIRWELL_SMTP" => "smtp://127.0.0.1:1",
        "STAIRWELL_ADDRESS" => "https://quay.example"
      )
    )
  end
  let(:contexts) do
    Stairwell::Server::StudioContexts.new(
      store: TestApp.store,
      clock: TestApp::CLOCK,
      settings: settings
    )
  end
  let(:application) do
    Stairwell::Server.app(settings, store: TestApp.store, clock: TestApp::CLOCK, log: TestApp::LOG)
  end
  let(:fresh) { "a lantern on the quay" }

  def app = application

  def forgotten(email = "owner@quay.example")
    ask(:post, "/api/forgotten", { email: email })
    TestApp.work_on_jobs
    mails.last && mails.last[:body][%r{https://quay\.example/\w+#(\S+)}, 1]
  end

  def opened(path, **body) = [ask(:post, path, body)&.fetch("code", nil), status]

  def another =
    Class
      .new { include Requests }
      .new
      .then do |one|
        here = application
        one.define_singleton_method(:app) { here }
        one
      end

  before { @csrf = ask(:get, "/api/session")["csrf"] }

  it "comes to a new password by the link that was mailed, once, and every session ends" do
    other = another.then { |one| one.sign_in && one }
    key = forgotten
    expect(mails.map { |mail| mail[:to] }).to eq(["owner@quay.example"])
    expect(opened("/api/reset-password", key: key, password: fresh)).to eq([nil, 200])
    expect(other.ask(:get, "/api/session")["account"]).to be_nil
    expect([sign_in["code"], status, sign_in(password: fresh) && status]).to eq(
      ["sign_in", 401, 200]
    )
    expect(opened("/api/reset-password", key: key, password: "another lantern there")).to eq(
      ["invalid_reset_password_key", 422]
    )
    TestApp.work_on_jobs
    expect(mails.last[:subject]).to include("was changed")
  end

  it "answers alike whoever's address it is, and keeps no link where others could read it" do
    answers =
      %w[owner@quay.example nobody@quay.example].map do |email|
        [ask(:post, "/api/forgotten", { email: email }), status]
      end
    expect(answers.uniq).to match([[{ "success" => a_string_including("If that address") }, 202]])
    expect(TestApp::OWNER[:que_jobs].select_map(:args).join).not_to match(/[\w-]{40}/)
    TestApp.work_on_jobs
    key = mails.first[:body][/#(\S+)/, 1]
    expect(TestApp::OWNER[:account_password_reset_keys].get(:key)).not_to include(
      key.split("_", 2).last
    )
    expect([mails.size, TestApp::OWNER[:outbox].count]).to eq([1, 0])
    expect(
      opened(
        "/api/reset-password",
        key: TestApp::OWNER[:account_password_reset_keys].get(Sequel.lit("id || '_' || key")),
        password: fresh
      )
    ).to eq(["invalid_reset_password_key", 422])
  end

  it "opens no more after a day, nor with another person's half of a key" do
    account =
      Stairwell::Server::Auth.add_account(
        TestApp.store.db,
        email: "other@quay.example",
        name: "Oda",
        password: TestApp::PASSWORD
      )
    key = forgotten
    expect(
      opened("/api/reset-password", key: key.sub(/\A\d+/, account.to_s), password: fresh)
    ).to eq(["invalid_reset_password_key", 422])
    TestApp::OWNER[:account_password_reset_keys].update(
      deadline: Sequel.lit("now() - interval '1 second'")
    )
    expect(opened("/api/reset-password", key: key, password: fresh)).to eq(
      ["invalid_reset_password_key", 422]
    )
    expect(sign_in && status).to eq(200)
  end

  it "is opened again by the link, where somebody shut it with wrong passwords" do
    stranger = another
    Stairwell::Server::Limits::MOST_FAILURES.times { stranger.sign_in(password: "guessed") }
    expect(sign_in["code"]).to eq("locked")
    opened("/api/reset-password", key: forgotten, password: fresh)
    expect(sign_in(password: fresh) && status).to eq(200)
  end

  it "takes no password that is short, common, or longer than what counts" do
    key = forgotten
    expect(
      ["elevenchars", "password123456"[0, 8], "1234567890", "x" * 73, "é" * 37].map do |password|
        opened("/api/reset-password", key: key, password: password).last
      end
    ).to all(eq(422))
    expect(ask(:post, "/api/reset-password", { key: key, password: "short" })).to include(
      "field" => "password",
      "detail" => a_string_including("at least 12")
    )
    expect(opened("/api/reset-password", key: key, password: "x" * 72)).to eq([nil, 200])
  end

  it "changes its password by the one it has, and ends the other sessions" do
    sign_in
    other = another.then { |one| one.sign_in && one }
    wrong = ask(:post, "/api/change-password", { password: "guessed", new_password: fresh })
    expect([status, wrong["field"], wrong["detail"]]).to eq(
      [422, "password", "This is not the password you have now."]
    )
    expect(
      opened("/api/change-password", password: TestApp::PASSWORD, new_password: TestApp::PASSWORD)
    ).to eq(["same_as_existing_password", 422])
    expect(opened("/api/change-password", password: TestApp::PASSWORD, new_password: fresh)).to eq(
      [nil, 200]
    )
    expect(
      [ask(:get, "/api/session")["account"], other.ask(:get, "/api/session")["account"]]
    ).to match([be_a(Hash), nil])
  end

  it "lets nobody guess the password of an open session for long" do
    sign_in
    Stairwell::Server::Limits::MOST_FAILURES.times do
      opened("/api/change-password", password: "guessed", new_password: fresh)
    end
    expect(opened("/api/change-password", password: TestApp::PASSWORD, new_password: fresh)).to eq(
      ["locked", 403]
    )
  end

  it "changes its password also while a stranger guesses at its address" do
    sign_in
    stranger = another
    Stairwell::Server::Limits::MOST_FAILURES.times { stranger.sign_in(password: "guessed") }
    expect(stranger.sign_in["code"]).to eq("locked")
    expect(opened("/api/change-password", password: TestApp::PASSWORD, new_password: fresh)).to eq(
      [nil, 200]
    )
  end

  it "leaves no copy of its own cookie signed in when the password is changed" do
    ask(
      :post,
      "/api/login",
      { email: "owner@quay.example", password: TestApp::PASSWORD, remember: true }
    )
    @csrf = ask(:get, "/api/session")["csrf"]
    copy = another
    copied = rack_mock_session.cookie_jar.for(URI("http://example.org/api"))
    copy.header("Cookie", copied)
    expect(copy.ask(:get, "/api/session")["account"]).to be_a(Hash)
    opened("/api/change-password", password: TestApp::PASSWORD, new_password: fresh)
    expect(ask(:get, "/api/session")["account"]).to be_a(Hash)
    copy.clear_cookies
    expect(copy.ask(:get, "/api/session")["account"]).to be_nil
    # It stays signed in as long as was asked for.
    expect(TestApp::OWNER[:account_active_session_keys].select_map(:remembered)).to eq([true])
  end

  # Common passwords of the list itself are refused by the library.
  it "takes no common word with figures or signs around it, nor one said twice" do
    sign_in
    %w[password1234 Password2027! 123sunshine!! sunshinesunshine DRAGON-dragon-1].each do |common|
      answer =
        ask(:post, "/api/change-password", { password: TestApp::PASSWORD, new_password: common })
      expect([common, status, answer["field"]]).to eq([common, 422, "new_password"])
    end
    ["seven boats leave", "sunshine over Quay", "qx7-3391-bnre-55"].each do |good|
      wrong = Stairwell::Server::Auth.within(contexts).internal_request_eval { wrong_with(good) }
      expect([good, wrong]).to eq([good, nil])
    end
  end

  it "moves to another address once the link sent there is opened, and the old one is told" do
    sign_in
    expect(opened("/api/change-address", email: "New@Quay.example", password: "guessed")).to eq(
      ["invalid_password", 422]
    )
    expect(
      opened("/api/change-address", email: "New@Quay.example", password: TestApp::PASSWORD)
    ).to eq([nil, 200])
    TestApp.work_on_jobs
    expect(mails.last[:to]).to eq("new@quay.example")
    expect(ask(:get, "/api/session")["account"]["email"]).to eq("owner@quay.example")
    key = mails.last[:body][%r{/address#(\S+)}, 1]
    expect(
      [opened("/api/confirm-address", key: key), opened("/api/confirm-address", key: key)]
    ).to eq([[nil, 200], ["invalid_verify_login_change_key", 422]])
    TestApp.work_on_jobs
    expect(mails.last).to include(to: "owner@quay.example", subject: a_string_including("address"))
    expect([sign_in && status, sign_in(email: "new@quay.example") && status]).to eq([401, 200])
  end

  it "does not say whether an address it would like to have is somebody's" do
    Stairwell::Server::Auth.add_account(
      TestApp.store.db,
      email: "taken@quay.example",
      name: "Oda",
      password: TestApp::PASSWORD
    )
    sign_in
    answers =
      %w[taken@quay.example free@quay.example].map do |email|
        [ask(:post, "/api/change-address", { email: email, password: TestApp::PASSWORD }), status]
      end
    expect(answers.uniq.size).to eq(1)
    TestApp.work_on_jobs
    expect(mails.map { |mail| mail[:to] }).to eq(["free@quay.example"])
  end

  it "shows what was done with it, one's own alone" do
    sign_in(password: "wrong")
    sign_in
    TestApp.studio("Other", email: "other@quay.example")
    another.sign_in(email: "other@quay.example")
    shown = ask(:get, "/api/sign-ins")
    expect(shown.map { |one| one["what"] }).to eq(%w[login login_failure])
    expect(shown.first).to include("from" => "127.0.0.1", "at" => match(/\A\d{4}-\d\d-\d\dT/))
  end

  it "is told plainly where the server sends no mail" do
    quiet =
      Stairwell::Server.app(
        TestApp::SETTINGS,
        store: TestApp.store,
        clock: TestApp::CLOCK,
        log: TestApp::LOG
      )
    here = another
    here.define_singleton_method(:app) { quiet }
    session = here.ask(:get, "/api/session")
    here.instance_variable_set(:@csrf, session["csrf"])
    expect(
      [session["mail"], here.ask(:post, "/api/forgotten", { email: "owner@quay.example" })["code"]]
    ).to eq([false, "no_mail"])
  end
end
