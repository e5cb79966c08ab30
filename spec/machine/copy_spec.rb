# frozen_string_literal: true

require "fileutils"
require "open3"
require "tmpdir"
require_relative "../spec_helper"

# As root the web server runs as a user of its own, who may not be able to read the checkout:
# then from a copy that holds what runs and nothing else.
RSpec.describe "What runs as a user of its own" do
  before { skip "only root can become another user" unless Process.uid.zero? }

  around do |example|
    Dir.mktmpdir("stairwell-copy") do |base|
      FileUtils.chmod(0o711, base)
      @checkout, @data = %w[checkout data].map { |name| File.join(base, name) }
      FileUtils.mkdir_p(@data)
      files.each { |file, text| write(file, text) }
      example.run
    end
  end

  let(:fonts) do
    %w[@expo-google-fonts/atkinson-hyperlegible-next/a.ttf dejavu-fonts-ttf/ttf/b.ttf].map do |file|
      "web/node_modules/#{file}"
    end
  end

  def files
    %w[
      config.ru
      Gemfile
      Gemfile.lock
      api/openapi.yaml
      bin/stairwell
      config/puma.rb
      core/lib/a.rb
      db/a.rb
      demo/a.rb
      server/app.rb
      vendor/bundle/ruby/a.rb
      web/dist/index.html
      web/locales/en.yml
      web/node_modules/other/index.js
      spec/secret_spec.rb
      .git/config
    ].to_h { |file| [file, file] }.merge(fonts.to_h { |file| [file, file] })
  end

  def write(file, text)
    path = File.join(@checkout, file)
    FileUtils.mkdir_p(File.dirname(path))
    File.write(path, text)
  end

  # @return [Array(String, String)] where it runs, and as whom
  def runs_in
    script =
      "root=#{@checkout} folder=#{@data}; source bin/lib/setup.sh; runs_in >&2; echo \"$runs_in $runs_as\"; as_app cat \"$runs_in/server/app.rb\" >/dev/null"
    out, error, status = Open3.capture3("bash", "-euo", "pipefail", "-c", script)
    raise error unless status.success?

    out.split
  end

  def copied =
    Dir
      .glob("**/*", base: File.join(@data, "app"))
      .select { |file| File.file?(File.join(@data, "app", file)) }

  it "is the checkout where that user can read it" do
    expect([runs_in, copied]).to eq([[@checkout, "stairwell"], []])
  end

  it "is a copy where that user cannot, without what does not run, and without what an older version had" do
    FileUtils.chmod(0o700, @checkout)
    expect(runs_in).to eq([File.join(@data, "app"), "stairwell"])
    runs = files.keys - %w[spec/secret_spec.rb .git/config web/node_modules/other/index.js]
    expect(copied).to match_array(runs)
    FileUtils.rm(File.join(@checkout, "server/app.rb"))
    write("server/app.rb", "newer")
    FileUtils.rm(File.join(@checkout, "core/lib/a.rb"))
    runs_in
    expect([copied, File.read(File.join(@data, "app/server/app.rb"))]).to match(
      [match_array(runs - ["core/lib/a.rb"]), "newer"]
    )
  end
end
