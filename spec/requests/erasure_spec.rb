# frozen_string_literal: true

require_relative "../spec_helper"

# A child's record is erased: nothing of the studio holds the name any more, and what others did
# stays.
RSpec.describe "Erasing a student" do
  let!(:studio) { TestApp.studio }
  let!(:student) do
    sign_in
    ask(:post, "/api/pieces", { script: Requests::SCRIPT })
    @id =
      ask(
        :post,
        "/api/students",
        Requests::STUDENT.merge(name: "Zephyrine", email: "home@quay.example")
      )[
        "id"
      ]
    ask(
      :post,
      "/api/students/#{@id}/pieces",
      { piece_id: 1, routine: "hand_by_hand", hand_order: "right", target_tempo: 76 }
    )
    ask(:post, "/api/students/#{@id}/link", {})
  end
  let(:path) { "/api/students/#{@id}" }
  let(:own) { student["pieces"].first["id"] }

  # Whatever holds a name as text, in any table of the database.
  def holding(name) =
    TestApp::OWNER.tables.select do |table|
      TestApp::OWNER[table].where(Sequel.lit("#{table}::text ILIKE ?", "%#{name}%")).any?
    end

  # Something in every table that is about a student.
  def live
    key = -> { SecureRandom.uuid }
    TestApp.now = Time.utc(2027, 3, 10, 16)
    ask(
      :post,
      "#{path}/results",
      {
        assignment_id: own,
        step_id: "A.right",
        result: "not_yet",
        bar: 3,
        note: "Zephyrine rushes",
        key: key.call
      }
    )
    ask(
      :post,
      "#{sheet_of(student)}/marks",
      { key: key.call, kind: "repetition", assignment_id: own, step_id: "A.left" }
    )
    ask(:post, "#{sheet_of(student)}/messages", { key: key.call, text: "Zephyrine was ill" })
    ask(
      :post,
      "#{path}/extra-work",
      { kind: "theory", title: "Zephyrine's page", minutes: 2, times: 1 }
    )
    ask(:post, "#{path}/lent", { title: "Zephyrine's blue book" })
    ask(
      :put,
      "/api/pieces/1/script?for=#{@id}",
      { script: "hard: 3\n# for Zephyrine\n", revision: 0 }
    )
    ask(
      :put,
      "#{path}/lesson",
      {
        recap: "Dear Zephyrine",
        notes: "Zephyrine's mother called",
        version: ask(:get, "#{path}/lesson")["lesson"]["version"]
      }
    )
    ask(:post, "#{path}/lesson/finish", { send: true })
    ask(:post, "#{path}/calendar", {})
    ask(:get, "/api/studio")
    TestApp.work_on_jobs
  end

  it "takes every row away, in whatever table, and notes itself without the name" do
    other = ask(:post, "/api/students", Requests::STUDENT.merge(name: "Nell"))["id"]
    live
    before = TestApp::OWNER.tables.to_h { |table| [table, TestApp::OWNER[table].count] }
    expect(holding("zephyrine")).to include(
      :students,
      :lesson_results,
      :messages,
      :extra_work,
      :lendings,
      :lessons,
      :outbox,
      :week_plans
    )
    expect(ask(:post, "#{path}/erase", { name: "Nell" })).to include(
      "status" => 422,
      "detail" => a_string_including("Zephyrine")
    )
    day = (Date.today..Date.today + 2).map(&:to_s)
    expect(ask(:post, "#{path}/erase", { name: " Zephyrine " })).to match(
      { "places" => [], "day" => satisfy { |one| day.include?(one) } }
    )
    TestApp.work_on_jobs
    expect(holding("zephyrine")).to include(:students, :lesson_results)
    TestApp.erase_as_asked
    expect(holding("zephyrine")).to eq([])
    expect(holding("home@quay.example")).to eq([])
    # Of tables that are about students only those keep rows of theirs that say no name.
    left =
      TestApp::OWNER
        .from(Sequel[:information_schema][:columns])
        .where(table_schema: "public", column_name: "student_id")
        .select_map(:table_name)
        .select { |table| TestApp::OWNER[table.to_sym].where(student_id: @id).any? }
    expect(left).to contain_exactly("history", "erasures")
    expect(ask(:get, "/api/studio/history?kind=studio").first).to include(
      "what" => "asked for a student's record to be erased",
      "student" => nil,
      "student_id" => @id
    )
    ask(:get, sheet_of(student))
    expect(status).to eq(404)
    ask(:post, "#{path}/erase", { name: "Zephyrine" })
    expect(status).to eq(404)
    # Pages, people and others are as they were.
    expect(ask(:get, "/api/students").map { |one| one["id"] }).to eq([other])
    expect(%i[pieces accounts memberships].map { |table| TestApp::OWNER[table].count }).to eq(
      before.values_at(:pieces, :accounts, :memberships)
    )
  end

  it "says where the name still stands in what was written of others" do
    other = ask(:post, "/api/students", Requests::STUDENT.merge(name: "Nell"))["id"]
    ask(
      :put,
      "/api/students/#{other}/lesson",
      { notes: "Plays with ZEPHYRINE on Friday", version: 0 }
    )
    ask(:post, "/api/pieces", { script: "title: Zephyrines\nbars: 4\n" }) # another word
    expect(ask(:post, "#{path}/erase", { name: "Zephyrine" })["places"]).to eq(
      [{ "place" => "recaps and notes of lessons", "count" => 1 }]
    )
  end

  it "is the owner's alone, and ends at the studio's walls" do
    TestApp.studio("Other Quay", email: "other@quay.example")
    clear_cookies
    sign_in(email: "other@quay.example")
    ask(:post, "#{path}/erase", { name: "Zephyrine" })
    expect(status).to eq(404)
    expect(TestApp::OWNER[:students].where(id: @id).count).to eq(1)
    app = TestApp.store.db
    # The app's role may ask, where it came in, and erase nobody; nor say when.
    door = TestApp.door(TestApp::OWNER[:accounts].min(:id))
    %i[erase_student erase_as_asked].each do |function|
      expect {
        TestApp.store.in_studio(1, door) { |db| db.get(Sequel.function(function, @id)) }
      }.to raise_error(Sequel::DatabaseError, /permission denied/)
    end
    row = { studio_id: 1, student_id: @id }
    expect {
      TestApp
        .store
        .in_studio(1, door) do |db|
          db[:erasure_requests].insert(**row, due_at: Sequel.lit("now() - interval '1 day'"))
        end
    }.to raise_error(Sequel::DatabaseError, /permission denied/)
    TestApp.store.in_studio(1, door) { |db| db[:erasure_requests].insert(row) }
    Stairwell::Server::Jobs::EraseStudent.allocate.run(1, @id)
    expect(TestApp::OWNER[:students].where(id: @id).count).to eq(1)
    expect { app[:lesson_results].delete }.to raise_error(
      Sequel::DatabaseError,
      /permission denied/
    )
  end

  it "tells every owner, and is stopped by any of them within a day" do
    second =
      Stairwell::Server::Auth.add_account(
        TestApp.store.db,
        email: "second@quay.example",
        name: "Odo",
        password: TestApp::PASSWORD
      )
    TestApp::OWNER[:memberships].insert(studio_id: 1, account_id: second, role: "owner")
    2.times { ask(:post, "#{path}/erase", { name: "Zephyrine" }) }
    expect(ask(:get, path)["erasing_on"]).to be_a(String)
    told = ask(:get, "/api/outbox").map { |letter| letter.values_at("recipient", "subject") }
    expect(told.map(&:first).uniq).to contain_exactly("owner@quay.example", "second@quay.example")
    expect(told.map(&:last)).to all(start_with("The record of Zephyrine will be erased on"))
    clear_cookies
    sign_in(email: "second@quay.example")
    expect(ask(:delete, "#{path}/erase")["erasing_on"]).to be_nil
    TestApp.erase_as_asked
    expect(TestApp::OWNER[:students].where(id: @id).count).to eq(1)
    expect([ask(:delete, "#{path}/erase")["code"], status]).to eq(["not_erasing", 409])
  end
end
