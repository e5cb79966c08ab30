# frozen_string_literal: true

require_relative "../spec_helper"

# What the role of a web server that was broken into can do by itself: come in where somebody shows
# it a session or a link, and nowhere else.
RSpec.describe "Doors" do
  let!(:own) { TestApp.studio }
  let!(:other) { TestApp.studio("Other Quay", email: "other@quay.example") }
  let(:store) { TestApp.store }
  let(:denied) { [Sequel::DatabaseError, /permission denied/] }
  let(:problem) { Stairwell::Server::Problem }

  def studios(db) = db[:studios].select_map(:id)

  # A transaction that says of itself where it is.
  def claiming(studio, person = nil)
    store.db.transaction do
      { "stairwell.studio" => studio, "stairwell.person" => person }.compact.each do |name, value|
        store.db.get(Sequel.function(:set_config, name, value.to_s, true))
      end
      [studios(store.db), store.db[:memberships].count]
    end
  end

  def call(name, *values) = store.db.get(Sequel.function(name, *values))

  def hash(password = TestApp::PASSWORD) =
    BCrypt::Engine.hash_secret(password, call(:rodauth_get_salt, own[:account_id]))

  it "let a session into its person's studios, as long as it is one" do
    door = TestApp.door(own[:account_id])
    expect(store.in_studio(own[:studio_id], door) { |db| studios(db) }).to eq([own[:studio_id]])
    expect { store.in_studio(other[:studio_id], door) { raise "inside" } }.to raise_error(problem)
    TestApp::OWNER[:memberships].where(account_id: own[:account_id]).update(
      left_at: Sequel::CURRENT_TIMESTAMP
    )
    expect { store.in_studio(own[:studio_id], door) { raise "inside" } }.to raise_error(problem)
    TestApp::OWNER[:memberships].update(left_at: nil)
    TestApp::OWNER[:account_active_session_keys].delete
    expect { store.in_studio(own[:studio_id], door) { raise "inside" } }.to raise_error(problem)
  end

  it "ask somebody whose session has just ended to sign in again" do
    door = TestApp.door(own[:account_id])
    TestApp::OWNER[:account_active_session_keys].delete
    expect { store.studio_of(door) }.to raise_error(problem) { |raised|
      expect(raised.status).to eq(401)
    }
  end

  it "let in no account that was closed" do
    door = TestApp.door(own[:account_id])
    TestApp::OWNER[:accounts].where(id: own[:account_id]).update(status_id: 3)
    expect { store.in_studio(own[:studio_id], door) { raise "inside" } }.to raise_error(problem)
  end

  it "open to nothing the tables hold: a session's print is not what it was made from" do
    TestApp.door(own[:account_id])
    print = store.db[:account_active_session_keys].get(:session_id)
    shown = Stairwell::Server::Door::Session.new(shown: print)
    expect { store.in_studio(own[:studio_id], shown) { raise "inside" } }.to raise_error(problem)
  end

  it "give a pass for one transaction of one connection, which nobody else makes" do
    door = TestApp.door(own[:account_id])
    pass = store.in_studio(own[:studio_id], door) { call(:current_setting, "stairwell.studio") }
    expect(pass).to match(/\A#{own[:studio_id]}\.\h{64}\z/)
    number, signature = pass.split(".")
    [
      number,
      pass,
      "#{other[:studio_id]}.#{signature}",
      "#{number}.#{"0" * 64}",
      "#{number}.",
      "x",
      "1; SELECT 1",
      "#{"9" * 40}.#{signature}"
    ].each { |forged| expect(claiming(forged, forged)).to eq([[], 0]), forged }
    # Nor does the pass of a person open a studio, or of one person another's.
    store.db.transaction do
      door.person(store.db)
      persons = call(:current_setting, "stairwell.person")
      store.db.get(Sequel.function(:set_config, "stairwell.studio", persons, true))
      expect([studios(store.db), store.db[:memberships].select_map(:account_id)]).to eq(
        [[], [own[:account_id]]]
      )
    end
    %i[door_keys].each { |table| expect { store.db[table].count }.to raise_error(*denied) }
    [
      [:door_signature, "pass", "x"],
      [:door_pass, "studio", 1],
      [:open_studio, 1],
      [:open_person, 1],
      [:enter_any_studio, 1],
      [:enter_as_anyone, 1]
    ].each { |name, *values| expect { call(name, *values) }.to raise_error(*denied), name.to_s }
  end

  it "let a link in by its own kind, and sign none for another studio" do
    sign_in
    student = ask(:post, "/api/students", Requests::STUDENT)
    ask(:post, "/api/students/#{student["id"]}/link", {})
    row = TestApp::OWNER[:sheet_links].first
    token = TestApp.sheet_token(row)
    expect(
      %w[sheet calendar invitation pass].map { |kind| call(:enter_by_link, kind, token) }
    ).to eq([row[:id], nil, nil, nil])
    # What a link let in is over with its transaction.
    expect(studios(store.db)).to eq([])
    door = TestApp.door(other[:account_id])
    elsewhere =
      store.in_studio(other[:studio_id], door) { call(:link_token, "sheet", row[:id], row[:nonce]) }
    expect(call(:enter_by_link, "sheet", elsewhere)).to be_nil
    expect(call(:link_token, "sheet", row[:id], row[:nonce])).to be_nil
    expect(
      store.in_studio(other[:studio_id], door) { call(:link_token, "pass", row[:id], row[:nonce]) }
    ).to be_nil
  end

  it "let a session begin for who shows the password, and no other way" do
    print = Digest::SHA256.hexdigest("mine")
    expect(call(:begin_session, own[:account_id], hash("wrong all along"), print)).to be(false)
    expect(call(:begin_session, other[:account_id], hash, print)).to be(false)
    expect(call(:begin_session, own[:account_id], hash, print)).to be(true)
    row = { account_id: own[:account_id], session_id: "x" }
    sessions = store.db[:account_active_session_keys]
    expect { sessions.insert(row) }.to raise_error(*denied)
    expect { sessions.update(row) }.to raise_error(*denied)
  end

  it "change a password for who shows the one before or a link's key, and no other way" do
    fresh = BCrypt::Password.create("a lantern on the quay", cost: 4).to_s
    hashes = store.db[:account_password_hashes]
    expect { hashes.update(password_hash: fresh) }.to raise_error(*denied)
    expect { hashes.insert(id: own[:account_id], password_hash: fresh) }.to raise_error(*denied)
    expect(call(:change_password, own[:account_id], hash("wrong all along"), fresh)).to be(false)
    expect(call(:reset_password, own[:account_id], "", fresh)).to be(false)
    keys = store.db[:account_password_reset_keys]
    expect { keys.insert(id: own[:account_id], key: "x") }.to raise_error(*denied)
    expect { keys.get(:key) }.to raise_error(*denied)
    expect(call(:change_password, own[:account_id], hash, fresh)).to be(true)
    expect(sign_in(password: "a lantern on the quay") && status).to eq(200)
  end

  it "change an address by the key that was mailed to it, and no other way" do
    accounts = store.db[:accounts].where(id: own[:account_id])
    expect { accounts.update(email: "mine@else.example") }.to raise_error(*denied)
    expect { accounts.update(status_id: 2) }.to raise_error(*denied)
    address = "mine@else.example"
    expect(call(:ask_for_address, own[:account_id], hash("wrong all along"), address)).to be(false)
    expect(call(:ask_for_address, own[:account_id], hash, address)).to be(true)
    # It was asked for, and nothing mailed: no key opens it, least of all none.
    expect(["", nil].map { |key| call(:change_address, own[:account_id], key) }).to eq([false] * 2)
    expect { store.db[:account_login_change_keys].get(:key) }.to raise_error(*denied)
    expect { store.db[:account_login_change_keys].update(key: "x") }.to raise_error(*denied)
    expect(accounts.get(:email)).to eq("owner@quay.example")
  end
end
