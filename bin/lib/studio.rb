# frozen_string_literal: true

# Called by bin/studio.

$LOAD_PATH.unshift(File.expand_path("../..", __dir__))
require "server/app"

# What is done on the server itself, where no screen helps.
class StudioCommand
  include Stairwell::Server

  def initialize(settings)
    @settings = settings
    keeper = Store.new(settings.keeper_url)
    @contexts =
      StudioContexts.new(
        store: keeper,
        keeper: keeper,
        clock: Clock.new(settings.fixed_now),
        settings: settings
      )
    Jobs.prepare(@contexts)
  end

  # @param email [String]
  def unlock(email)
    account(email)
    Attempts.new(db, @settings.session_secret[0, 64], email: email).forget
    puts "#{email} can sign in again."
  end

  # Prints a link; nothing is mailed.
  # @param email [String]
  def password(email)
    key = Auth.within(@contexts).internal_request_eval(account_id: account(email)) { reset_key }
    puts "This link sets a new password for #{email}, once, within a day. Give it to that person alone:",
         "  #{AccountMail.new(@contexts).link(:forgotten, key)}"
  end

  # Prints a code by which a studio is opened, beside others or as the first.
  def open
    code = Sequel.connect(@settings.owner_url) { |owner| Openings.new(owner, @settings).make }
    puts "This code opens a studio, once, within a day:",
         "  #{code}",
         "Enter it at #{@settings.address}/open"
  end

  private

  def db = @contexts.store.db

  # @return [Integer] id
  def account(email)
    db[:accounts].where(Sequel.function(:lower, :email) => email.strip.downcase).get(:id) ||
      abort("There is no account with the address #{email}. Look how it is written under Settings.")
  end
end

command, *given = ARGV
StudioCommand.new(Stairwell::Server::Settings.from_env).public_send(command, *given)
