# frozen_string_literal: true

# Migrates the database, and fills an empty one with the demo studio.

root = File.expand_path("../..", __dir__)
$LOAD_PATH.unshift(root)
require "db/prepare"

settings = Stairwell::Server::Settings.from_env
if ARGV.include?("--fresh-demo")
  Sequel.connect(settings.owner_url) { |db| db.run("DROP SCHEMA public CASCADE; CREATE SCHEMA public") }
end
Stairwell::Prepare.call(settings)
Sequel.connect(settings.owner_url) do |db|
  if db[:studios].empty?
    require "demo/studio"
    puts "• Making the demo studio"
    Demo::Studio.new(settings).make
  end
end
require "demo/people"
Demo::People::TEACHERS.each { |one| puts "  Demo sign-in: #{one[:email]}  #{Demo::People::PASSWORD}" }
