# frozen_string_literal: true

require_relative "../spec_helper"

# What docs/security.md says is tested, is.
RSpec.describe "What is said of security" do
  root = File.expand_path("../..", __dir__)
  text = File.read("#{root}/docs/security.md").tr("\n", " ")
  # A spec's name, and the beginnings of its examples that stand behind it.
  named =
    text
      .scan(/`(\w+_spec)`((?:[ ,]*(?:and )?“[^”]+”)*)/)
      .map { |spec, examples| [spec, examples.scan(/“([^”]+)”/).flatten] }

  it "names specs that are there, and their examples" do
    expect(named.size).to be > 20
    wrong =
      named.flat_map do |spec, examples|
        files = Dir["#{root}/{spec,core/spec}/**/#{spec}.rb"]
        next [spec] if files.empty?

        code = files.map { |file| File.read(file) }.join
        examples.reject { |one| code.include?(one.delete_suffix("…")) }.map { |one| [spec, one] }
      end
    expect(wrong).to eq([])
  end

  it "says of a broken server what the app's role may, and no more" do
    rights =
      TestApp::OWNER.from(Sequel[:information_schema][:role_table_grants]).where(
        grantee: "stairwell_app"
      )
    may = ->(right) { rights.where(privilege_type: right).select_map(:table_name) }
    expect(may["SELECT"]).not_to include("account_password_hashes")
    expect(
      may["UPDATE"] & %w[history practice_marks lesson_results week_plans map_revisions]
    ).to eq([])
    expect(may["UPDATE"]).to include("account_password_hashes", "accounts")
    functions = %w[erase_student(bigint) erase_as_asked(bigint)]
    expect(
      functions.map do |name|
        TestApp::OWNER.get(
          Sequel.function(:has_function_privilege, "stairwell_app", name, "EXECUTE")
        )
      end
    ).to eq([false, false])
  end
end
