# frozen_string_literal: true

# Migrates the database, and fills an empty one with the demo studio (--demo), or makes a
# code by which a studio can be opened in it (--empty), which is left in STAIRWELL_CODE_IN.

root = File.expand_path("../..", __dir__)
$LOAD_PATH.unshift(root)
require "db/prepare"

settings = Stairwell::Server::Settings.from_env
if ARGV.include?("--fresh-demo")
  Sequel.connect(settings.owner_url) do |db|
    db.run("DROP SCHEMA public CASCADE; CREATE SCHEMA public")
  end
end
Stairwell::Prepare.call(settings)
Stairwell::Prepare.draw(settings)
require "demo/people"
Sequel.connect(settings.owner_url) do |db|
  # Accounts stand outside the walls between studios, so even an owner who is
  # no superuser can tell whether there is anything yet.
  if db[:accounts].empty? && ARGV.include?("--empty")
    File.write(ENV.fetch("STAIRWELL_CODE_IN"), Stairwell::Server::Openings.new(db, settings).make)
  elsif db[:accounts].empty?
    require "demo/studio"
    puts "• Making the demo studio"
    Demo::Studio.new(settings).make
  end
  Demo::People::TEACHERS.each do |one|
    if db[:accounts].where(email: one[:email]).any?
      puts "  Demo sign-in: #{one[:email]}  #{Demo::People::PASSWORD}"
    end
  end
end
