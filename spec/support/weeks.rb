# frozen_string_literal: true

# A student whose lessons come, are moved and are another's. Today is Wednesday, 3 March 2027.
RSpec.shared_context "lessons of real weeks" do
  let!(:studio) { TestApp.studio }
  let!(:student) do
    sign_in
    student_with_piece["id"]
  end
  let(:key) { -> { SecureRandom.uuid } }

  def member(name, role: "teacher")
    id =
      Stairwell::Server::Auth.add_account(
        TestApp.store.db,
        email: "#{name.downcase}@quay.example",
        name: name,
        password: TestApp::PASSWORD
      )
    TestApp::OWNER[:memberships].insert(studio_id: studio[:studio_id], account_id: id, role: role)
    Class
      .new { include Requests }
      .new
      .then { |one| one.sign_in(email: "#{name.downcase}@quay.example") && [one, id] }
  end

  def on(day) = TestApp.now = Time.utc(2027, 3, day, 12)

  def change(day, id: student, version: 0, **said) =
    ask(:put, "/api/students/#{id}/lessons/2027-03-#{day}", { version: version, **said })

  def week(from = nil, who = self) =
    who.ask(:get, "/api/timetable#{"?from=#{from}" if from}")["days"].flat_map do |one|
      one["lessons"]
    end

  def today(who = self) = who.ask(:get, "/api/today")["lessons"]

  def another(**said) =
    ask(:post, "/api/students", Requests::STUDENT.merge(name: "Ilo", **said))["id"]
end
