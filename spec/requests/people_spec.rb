# frozen_string_literal: true

require_relative "../spec_helper"

# How people come into a studio and leave it.
RSpec.describe "People" do
  def browser =
    Class
      .new { include Requests }
      .new
      .then do |one|
        one.instance_variable_set(:@csrf, one.ask(:get, "/api/session")["csrf"]) && one
      end

  let(:owner) do
    {
      studio: "Low Lane",
      time_zone: "Europe/Lisbon",
      name: "Aura Pell",
      email: "aura@lane.example",
      password: "a lantern on the quay"
    }
  end
  let(:openings) { Stairwell::Server::Openings.new(TestApp::OWNER, TestApp::SETTINGS) }

  def opened(one, **body) =
    one
      .ask(:post, "/api/open", body)
      .then { |answer| [answer["code"] || answer["success"], one.status] }

  describe "open a studio" do
    it "with the code the server showed, once, and are its owner" do
      one = browser
      expect(one.ask(:get, "/api/session")["empty"]).to be(true)
      code = openings.make
      expect(opened(one, code: "BBBB-BBBB-BBBB", **owner)).to eq(["code", 422])
      expect(TestApp::OWNER[:accounts].count).to eq(0)
      expect(opened(one, code: " #{code.downcase.tr("-", " ")}", **owner, locale: "en-US")).to eq(
        ["opened", 201]
      )
      expect(opened(one, code: code, **owner, email: "next@lane.example")).to eq(["code", 422])
      one.sign_in(email: "aura@lane.example", password: owner[:password])
      expect(one.ask(:get, "/api/session")).to include(
        "empty" => false,
        "studio" => include("name" => "Low Lane", "role" => "owner", "locale" => "en-US")
      )
      expect(one.ask(:post, "/api/students", Requests::STUDENT)["name"]).to eq("Nell")
    end

    it "with no code of the day before, nor one that another took the place of" do
      first = openings.make
      openings.make
      expect(opened(browser, code: first, **owner)).to eq(["code", 422])
      last = openings.make
      TestApp::OWNER[:openings].update(ends_at: Sequel.lit("now() - interval '1 second'"))
      expect(opened(browser, code: last, **owner)).to eq(["code", 422])
    end

    # Without a code nobody learns who has an account, or whether a password is right.
    it "and are told of the code first, whoever they say they are" do
      TestApp.studio("Other Bank", email: "both@bank.example")
      tried = [
        owner,
        owner.merge(email: "both@bank.example", password: TestApp::PASSWORD),
        owner.merge(email: "both@bank.example", password: "not theirs, a guess"),
        owner.merge(password: "short"),
        owner.merge(time_zone: "Nowhere/At_all")
      ]
      answers =
        tried.map { |body| browser.ask(:post, "/api/open", { code: "BBBB-BBBB-BBBB", **body }) }
      expect(answers.uniq.map { |answer| answer["code"] }).to eq(["code"])
    end

    it "and are told the same of a password, whether the address has an account or not" do
      TestApp.studio("Other Bank", email: "both@bank.example")
      code = openings.make
      hashed = []
      allow(BCrypt::Engine).to receive(:hash_secret).and_wrap_original do |original, *given|
        hashed << 1
        original.call(*given)
      end
      answers =
        %w[both@bank.example aura@lane.example].map do |email|
          hashed.clear
          answer =
            browser.ask(
              :post,
              "/api/open",
              { code: code, **owner, email: email, password: "short" }
            )
          [answer, hashed.size]
        end
      expect(answers.uniq.size).to eq(1)
      expect(opened(browser, code: code, **owner)).to eq(["opened", 201])
    end

    it "in a time zone there is, with a password that is none of the common ones" do
      code = openings.make
      expect(opened(browser, code: code, **owner, time_zone: "Europe/Nowhere")).to eq(
        ["time_zone", 422]
      )
      expect(opened(browser, code: code, **owner, password: "short")).to eq(["password", 422])
      expect(opened(browser, code: code, **owner)).to eq(["opened", 201])
    end

    it "twice at once with one code, and it is one studio" do
      code = openings.make
      answers =
        %w[a b c]
          .map do |name|
            browser.then do |one|
              Thread.new { opened(one, code: code, **owner, email: "#{name}@lane.example") }
            end
          end
          .map(&:value)
      expect(answers.count(["opened", 201])).to eq(1)
      expect([TestApp::OWNER[:studios].count, TestApp::OWNER[:accounts].count]).to eq([1, 1])
    end
  end

  describe "of a studio" do
    before do
      TestApp.studio
      sign_in
    end

    def invited(**more) =
      ask(:post, "/api/people/invitations", { role: "teacher", **more })["invitations"].last

    def join(link, one = browser, **more)
      one
        .ask(
          :post,
          "/api/join",
          {
            token: link[/#(.*)/, 1],
            name: "Odo Linde",
            email: "odo@quay.example",
            password: "a lantern on the quay",
            **more
          }
        )
        .then { |answer| [answer["code"] || answer["success"], one.status] }
    end

    it "join by a link that opens once" do
      link = invited(role: "assistant")["link"]
      one = browser
      expect(one.ask(:get, "/api/invitations/#{link[/#(.*)/, 1]}")).to eq(
        "studio" => "Quay Street",
        "role" => "assistant",
        "email" => nil
      )
      expect(join(link, one)).to eq(["joined", 201])
      expect(join(link, email: "late@quay.example")).to eq(["invitation_over", 404])
      expect(
        one.sign_in(email: "odo@quay.example", password: "a lantern on the quay") &&
          one.ask(:get, "/api/session")["studio"]
      ).to include("name" => "Quay Street", "role" => "assistant")
      expect(ask(:get, "/api/people")).to include(
        "invitations" => [],
        "people" => [
          include("name" => "Mira Quist", "role" => "owner", "you" => true),
          include("name" => "Odo Linde", "role" => "assistant", "you" => false)
        ]
      )
      expect(one.ask(:get, "/api/people")["invitations"]).to eq([])
    end

    it "do not join when the link was withdrawn, is over, forged, or of another studio" do
      links = Array.new(3) { invited["link"] }
      ask(:delete, "/api/people/invitations/1", {})
      TestApp::OWNER[:invitations].where(id: 2).update(
        ends_at: Sequel.lit("now() - interval '1 second'")
      )
      other = TestApp.studio("Other", email: "other@bank.example")
      moved = links[2].sub(/#\w+\./, "##{other[:studio_id].to_s(36)}.")
      forged = links[2].sub(/.\z/) { |last| (last == "0") ? "1" : "0" }
      expect(
        [
          links[0],
          links[1],
          moved,
          forged,
          "x#garbled",
          "x##{"9" * 11}.1.#{"0" * 32}"
        ].map { |link| join(link) }.uniq
      ).to eq([["invitation_over", 404]])
      expect(TestApp::OWNER[:accounts].count).to eq(2)
      expect(join(links[2])).to eq(["joined", 201])
    end

    # What a person handed out ends with their right to hand it out.
    it "join by no link of one who may invite nobody any more, also when they are an owner again" do
      second = browser
      join(invited(role: "owner")["link"], second)
      second.sign_in(email: "odo@quay.example", password: "a lantern on the quay")
      id = TestApp::OWNER[:accounts].where(email: "odo@quay.example").get(:id)
      links =
        %w[owner teacher].map do |role|
          second.ask(:post, "/api/people/invitations", { role: role })["invitations"].last["link"]
        end
      ask(:put, "/api/people/#{id}", { role: "teacher" })
      expect(ask(:get, "/api/people")["invitations"]).to eq([])
      expect(join(links.first, email: "back@quay.example")).to eq(["invitation_over", 404])
      ask(:put, "/api/people/#{id}", { role: "owner" })
      expect(join(links.last, email: "back@quay.example")).to eq(["invitation_over", 404])
      link =
        second.ask(:post, "/api/people/invitations", { role: "owner" })["invitations"].last["link"]
      ask(:post, "/api/people/#{id}/leave", {})
      expect(join(link, second, email: "odo@quay.example")).to eq(["invitation_over", 404])
    end

    it "hand over no lessons once they may not: a cover that waits ends with who made it" do
      id =
        Stairwell::Server::Auth.add_account(
          TestApp.store.db,
          email: "odo@quay.example",
          name: "Odo",
          password: TestApp::PASSWORD
        )
      away =
        Stairwell::Server::Auth.add_account(
          TestApp.store.db,
          email: "ava@quay.example",
          name: "Ava",
          password: TestApp::PASSWORD
        )
      [id, away].each do |one|
        TestApp::OWNER[:memberships].insert(studio_id: 1, account_id: one, role: "teacher")
      end
      odo = browser
      odo.sign_in(email: "odo@quay.example")
      made =
        lambda do |from, to|
          odo.ask(
            :post,
            "/api/covers",
            { key: SecureRandom.uuid, away_id: away, cover_id: id, first_day: from, last_day: to }
          )
        end
      made.call("2027-03-03", "2027-03-05")
      made.call("2027-03-08", "2027-03-14")
      left = -> do
        TestApp::OWNER[:covers].where(withdrawn_at: nil).select_map(:first_day).map(&:to_s)
      end
      expect(left.call).to eq(%w[2027-03-03 2027-03-08])
      ask(:put, "/api/people/#{id}", { role: "assistant" })
      expect(left.call).to eq(["2027-03-03"])
      ask(:post, "/api/people/#{away}/leave", {})
      expect(left.call).to eq([])
    end

    it "hand over no lessons between others once they are no owner: covers that wait end with that" do
      ids =
        %w[odo ava tam].map do |name|
          id =
            Stairwell::Server::Auth.add_account(
              TestApp.store.db,
              email: "#{name}@quay.example",
              name: name,
              password: TestApp::PASSWORD
            )
          TestApp::OWNER[:memberships].insert(studio_id: 1, account_id: id, role: "owner")
          id
        end
      odo = browser
      odo.sign_in(email: "odo@quay.example")
      [[ids[1], ids[2], "2027-03-08"], [ids[0], ids[1], "2027-03-15"]].each do |away, cover, day|
        odo.ask(
          :post,
          "/api/covers",
          { key: SecureRandom.uuid, away_id: away, cover_id: cover, first_day: day, last_day: day }
        )
      end
      ask(:put, "/api/people/#{ids[0]}", { role: "teacher" })
      left = TestApp::OWNER[:covers].where(withdrawn_at: nil)
      expect(left.select_map(:first_day).map(&:to_s)).to eq(["2027-03-15"])
    end

    it "who have an account join with its password, and change between their studios" do
      TestApp.studio("Other Bank", email: "both@bank.example")
      link = invited["link"]
      expect(join(link, email: "both@bank.example", password: "not theirs, a guess")).to eq(
        ["password", 422]
      )
      expect(join(link, email: "Both@Bank.example", password: TestApp::PASSWORD)).to eq(
        ["joined", 201]
      )
      one = browser
      one.sign_in(email: "both@bank.example")
      expect(one.ask(:get, "/api/session")["studios"].map { |row| row["name"] }).to eq(
        ["Quay Street", "Other Bank"]
      )
      roles =
        [1, 2].map do |id|
          one.ask(:put, "/api/session/studio", { id: id }) &&
            one.ask(:get, "/api/session")["studio"].values_at("name", "role")
        end
      expect(roles).to eq([["Quay Street", "teacher"], ["Other Bank", "owner"]])
      one.ask(:put, "/api/session/studio", { id: 77 })
      expect(one.status).to eq(404)
      one.ask(:post, "/api/students", Requests::STUDENT)
      expect([ask(:get, "/api/students").size, one.ask(:get, "/api/students").size]).to eq([0, 1])
    end

    it "are mailed their invitation, and it lies in nobody's outbox" do
      mails = []
      allow_any_instance_of(Stairwell::Server::Mailer).to receive(:deliver) { |_, **mail|
        mails << mail
      }
      allow(TestApp::SETTINGS).to receive(:smtp).and_return(
        Stairwell::Server::Settings::Smtp.new(host: "127.0.0.1", port: 1, from: "quay@quay.example")
      )
      link = invited(email: "Odo@quay.example")["link"]
      TestApp.work_on_jobs
      expect(mails).to match(
        [
          include(
            to: "odo@quay.example",
            subject: "You are invited to Quay Street",
            body: a_string_including(link).and(including("Mira Quist"))
          )
        ]
      )
      expect(TestApp::OWNER[:outbox].count).to eq(0)
    end

    it "leave with their students handed on, and what they did stays under their name" do
      join(invited["link"])
      teacher = browser
      teacher.sign_in(email: "odo@quay.example", password: "a lantern on the quay")
      student = teacher.student_with_piece
      teacher.ask(
        :post,
        "/api/students/#{student["id"]}/results",
        { assignment_id: 1, step_id: "A.right", result: "steady", key: SecureRandom.uuid }
      )
      expect(ask(:post, "/api/people/2/leave", {})).to include(
        "code" => "has_students",
        "detail" => "Odo Linde teaches students here. Hand them to another teacher first."
      )
      left = ask(:post, "/api/people/2/leave", { to: 1 })
      expect(left["people"].map { |one| one.values_at("name", "students") }).to eq(
        [["Mira Quist", 1]]
      )
      expect(ask(:get, "/api/students").first["teacher"]).to eq("Mira Quist")
      expect(
        ask(:get, "/api/students/#{student["id"]}/lesson")["steps"].find do |step|
          step["id"] == "A.right"
        end[
          "recorded_by"
        ]
      ).to eq("Odo Linde")
      expect(teacher.ask(:get, "/api/session")).to include("account" => be_a(Hash), "studio" => nil)
      teacher.ask(:get, "/api/students")
      expect(teacher.status).to eq(403)
      # Invited again, they are back.
      expect(join(invited(role: "assistant")["link"])).to eq(["joined", 201])
      expect(teacher.ask(:get, "/api/session")["studio"]).to include("role" => "assistant")
    end

    it "always have an owner" do
      expect(ask(:put, "/api/people/1", { role: "teacher" })["code"]).to eq("last_owner")
      expect(ask(:post, "/api/people/1/leave", {})["code"]).to eq("last_owner")
      join(invited(role: "owner")["link"])
      second = browser
      second.sign_in(email: "odo@quay.example", password: "a lantern on the quay")
      answers =
        [[self, 2], [second, 1]].map do |one, id|
            Thread.new { one.ask(:put, "/api/people/#{id}", { role: "teacher" })["code"] }
          end
          .map(&:value)
      expect(answers.compact.size).to eq(1)
      expect(TestApp::OWNER[:memberships].where(role: "owner", left_at: nil).count).to eq(1)
    end

    it "of another studio are not there" do
      TestApp.studio("Other", email: "other@bank.example")
      [
        [:put, "/api/people/2", { role: "teacher" }],
        [:post, "/api/people/2/leave", {}],
        [:post, "/api/people/1/leave", { to: 2 }],
        [:delete, "/api/people/invitations/1", {}]
      ].each do |method, path, body|
        ask(method, path, body)
        expect([path, status]).to match([path, be_between(404, 422)])
      end
      expect(TestApp::OWNER[:memberships].exclude(left_at: nil).count).to eq(0)
    end
  end

  describe "taught in a studio" do
    before do
      TestApp.studio
      sign_in
    end

    let!(:student) { student_with_piece }
    let(:path) { "/api/students/#{student["id"]}" }

    def lists =
      [
        ask(:get, "/api/studio").map { |row| row["name"] },
        ask(:get, "/api/today")["lessons"].map { |row| row["name"] }
      ]

    it "go, are in no list and planned no more, and are back with all that was" do
      TestApp.now = Time.utc(2027, 3, 10, 12)
      expect(lists).to eq([["Nell"], ["Nell"]])
      before = ask(:get, path)
      expect(ask(:post, "#{path}/leave", {})).to include(
        "left_on" => "2027-03-10",
        "sheet_path" => nil
      )
      expect(lists).to eq([[], []])
      # Nothing is told of a lesson or a week to come, and no lesson is given.
      expect(ask(:get, path).values_at("week", "coming", "attention")).to eq([nil, [], []])
      expect(ask(:get, "/api/students").first["next_lesson"]).to be_nil
      [
        [:get, "lesson"],
        [:post, "lesson/finish", { send: false }],
        [:post, "week", {}]
      ].each do |method, what, body|
        expect([ask(method, "#{path}/#{what}", body)["code"], status]).to eq(["left", 409])
      end
      expect(ask(:get, sheet_of(student))["code"]).to eq("link_unknown")
      expect(ask(:get, "/api/students").map { |row| row.values_at("name", "left_on") }).to eq(
        [%w[Nell 2027-03-10]]
      )
      ask(:post, "/api/studio/plans", {})
      TestApp.work_on_jobs
      expect(TestApp::OWNER[:plan_runs].get(%i[total done])).to eq([0, 0])
      expect(ask(:get, "/api/people")["people"].first["students"]).to eq(0)
      TestApp.now = Time.utc(2027, 3, 12, 12)
      expect(ask(:post, "#{path}/leave", {})["left_on"]).to eq("2027-03-10")
      back = ask(:post, "#{path}/return", {})
      expect(back.values_at("left_on", "pieces").last.map { |one| one["title"] }).to eq(
        before["pieces"].map { |one| one["title"] }
      )
      expect(lists.first).to eq(["Nell"])
    end

    it "move to another teacher with all that was, and to nobody who teaches no one" do
      join =
        ask(:post, "/api/people/invitations", { role: "teacher" })["invitations"].last["link"][
          /#(.*)/,
          1
        ]
      browser.ask(
        :post,
        "/api/join",
        {
          token: join,
          name: "Odo Linde",
          email: "odo@quay.example",
          password: "a lantern on the quay"
        }
      )
      TestApp::OWNER[:memberships].insert(
        studio_id: 1,
        account_id:
          Stairwell::Server::Auth.add_account(
            TestApp.store.db,
            email: "a@quay.example",
            name: "A",
            password: "x"
          ),
        role: "assistant"
      )
      TestApp.studio("Other", email: "other@bank.example")
      change = ->(to) do
        ask(
          :put,
          path,
          Requests::STUDENT.merge(teacher_id: to, version: ask(:get, path)["version"])
        )
      end
      expect([change[3]["code"], change[4]["code"], change[99]["code"]]).to eq(
        %w[teacher teacher teacher]
      )
      expect(change[2]["pieces"].size).to eq(1)
      expect(ask(:get, "/api/students").first).to include(
        "teacher" => "Odo Linde",
        "teacher_id" => 2
      )
    end
  end
end
