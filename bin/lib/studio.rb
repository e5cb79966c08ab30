# frozen_string_literal: true

# Called by bin/studio.

$LOAD_PATH.unshift(File.expand_path("../..", __dir__))
require "server/app"

settings = Stairwell::Server::Settings.from_env
store = Stairwell::Server::Store.new(settings.app_url)
command, email = ARGV
abort "There is no account with the address #{email}. Look how it is written under Settings." if store.db[:accounts].where(Sequel.function(:lower, :email) => email.strip.downcase).empty?

case command
when "unlock"
  Stairwell::Server::Attempts.new(store.db, settings.session_secret[0, 64], email: email).forget
  puts "#{email} can sign in again."
end
