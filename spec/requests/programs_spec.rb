# frozen_string_literal: true

require "open3"
require_relative "../spec_helper"

# The programs a person calls first.
RSpec.describe "bin/" do
  let(:root) { File.expand_path("../..", __dir__) }

  def run(*command, env: {}) = Open3.capture3(env, *command, chdir: root)

  it "start says what it can do, and refuses what it cannot" do
    out, _, status = run("bin/start", "--help")
    expect([status.exitstatus, out]).to match(
      [0, /--host HOST.*--port PORT.*--fresh-demo.*DATABASE_URL/m]
    )
    _, err, status = run("bin/start", "--fast")
    expect([status.exitstatus, err]).to match([2, /--install-only/])
  end

  it "start does not empty a database that is not its own" do
    _, err, status =
      run("bin/start", "--fresh-demo", env: { "DATABASE_URL" => "postgres://x:y@127.0.0.1:1/z" })
    expect([status.success?, err]).to match([false, /only empties the private database/])
  end

  it "stairwell says in one line what to run when its gems are missing" do
    Dir.mktmpdir do |folder|
      FileUtils.cp_r(File.join(root, "bin"), folder)
      FileUtils.cp_r(File.join(root, "core"), folder)
      env = {
        "GEM_PATH" => folder,
        "GEM_HOME" => folder,
        "BUNDLE_GEMFILE" => nil,
        "RUBYOPT" => nil,
        "RUBYLIB" => nil
      }
      out, err, status = run(File.join(folder, "bin/stairwell"), "roadmap", "x.txt", env: env)
      expect([out, status.exitstatus]).to eq(["", 2])
      expect(err).to match(
        %r{\AThe gems nokogiri and rubyzip are missing\. Run: \S+bin/start --install-only\n\z}
      )
    end
  end

  it "test tells its share of the lines" do
    out, = run("bin/test", "--share")
    expect(out).to match(/\ATests are \d+ % of the lines \(\d+ of \d+\)\.\n\z/)
  end
end
