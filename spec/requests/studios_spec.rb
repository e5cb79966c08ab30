# frozen_string_literal: true

require_relative "../spec_helper"

RSpec.describe "Two studios" do
  let!(:one) { TestApp.studio }
  let!(:other) { TestApp.studio("Other Bank", email: "owner@bank.example") }

  it "never see each other's rows" do
    sign_in
    student = student_with_piece
    sheet = sheet_of(student)
    ask(
      :post,
      "/api/students/#{student["id"]}/results",
      { assignment_id: 1, step_id: "A.right", result: "steady", key: SecureRandom.uuid }
    )
    ask(:post, "/api/logout", {})
    clear_cookies
    sign_in(email: other[:email])
    expect([ask(:get, "/api/pieces"), ask(:get, "/api/students"), ask(:get, "/api/studio")]).to eq(
      [[], [], []]
    )
    %W[pieces/1 students/#{student["id"]} students/#{student["id"]}/lesson].each do |path|
      ask(:get, "/api/#{path}")
      expect(status).to eq(404)
    end
    own = ask(:post, "/api/students", Requests::STUDENT)["id"]
    ask(
      :post,
      "/api/students/#{own}/pieces",
      { piece_id: 1, routine: "hand_by_hand", hand_order: "right", target_tempo: 76 }
    )
    expect(status).to eq(404)
    # A link of the one studio does not open in the name of the other.
    forged = sheet.sub(%r{sheet/[0-9a-z]+\.}, "sheet/#{other[:studio_id].to_s(36)}.")
    ask(:get, forged)
    expect(status).to eq(404)
  end

  # Against the database itself, with the role the app uses.
  it "are kept apart by the database, in every table that holds a studio's data" do
    sign_in
    student = student_with_piece
    mark(sheet_of(student), student["week"]["days"].first["items"].first)
    db = TestApp.store.db
    tables =
      TestApp::OWNER.tables.select { |table| TestApp::OWNER[table].columns.include?(:studio_id) } +
        [:studios]
    expect(tables).to include(
      :students,
      :pieces,
      :map_revisions,
      :practice_marks,
      :lesson_results,
      :week_plans,
      :memberships
    )
    tables.each do |table|
      expect(db[table].count).to eq(0), "#{table} shows rows without a studio"
      TestApp
        .keeper
        .in_studio(other[:studio_id]) do |keeper|
          expect(
            keeper[table].exclude(
              (table == :studios) ? { id: other[:studio_id] } : { studio_id: other[:studio_id] }
            ).count
          ).to eq(0)
        end
    end
    expect(TestApp.keeper.in_studio(one[:studio_id]) { |keeper| keeper[:students].count }).to eq(1)
    expect {
      TestApp
        .keeper
        .in_studio(other[:studio_id]) do |keeper|
          keeper[:pieces].insert(studio_id: one[:studio_id], title: "Smuggled")
        end
    }.to raise_error(Sequel::DatabaseError, /row-level security/)
  end

  it "are served by a role that owns nothing and cannot rewrite what happened" do
    db = TestApp.store.db
    role = db[:pg_roles].first(rolname: db.get(Sequel.lit("current_user")))
    expect(role.values_at(:rolsuper, :rolbypassrls, :rolcreaterole, :rolcreatedb)).to all(be(false))
    expect(db[:pg_tables].where(tableowner: role[:rolname]).count).to eq(0)
    %i[practice_marks lesson_results map_revisions week_plans].each do |table|
      expect { db[table].delete }.to raise_error(Sequel::DatabaseError, /permission denied/)
      expect { db[table].update(studio_id: 1) }.to raise_error(
        Sequel::DatabaseError,
        /permission denied/
      )
    end
  end
end
