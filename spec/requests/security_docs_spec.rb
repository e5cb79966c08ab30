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
    accounts = %w[
      accounts
      account_password_hashes
      account_password_reset_keys
      account_login_change_keys
      account_active_session_keys
      studios
      door_keys
    ]
    expect([may["INSERT"] & accounts, may["UPDATE"] & accounts]).to eq([[], []])
    # A new function is everyone's until somebody says whose it is.
    mays =
      TestApp::OWNER
        .from(:pg_proc)
        .where(pronamespace: Sequel.lit("'public'::regnamespace"), prosecdef: true)
        .where(Sequel.function(:has_function_privilege, "stairwell_app", :oid, "EXECUTE"))
        .select_map(Sequel.cast(:proname, :text))
    expect(mays).to match_array(
      %w[
        rodauth_get_salt
        rodauth_valid_password_hash
        entered_studio
        entered_person
        enter_as
        enter_studio
        enter_by_link
        link_token
        found_studio
        add_account
        begin_session
        change_password
        reset_key_fits
        reset_password
        ask_for_address
        address_key_fits
        change_address
        next_number
      ]
    )
  end
end
