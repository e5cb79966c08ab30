# frozen_string_literal: true

# Called by bin/fuzz.

require "optparse"
$LOAD_PATH.unshift(File.expand_path("../..", __dir__))
require "server/app"
require "fuzz/demo"

seed, requests, scores = Random.new_seed % 1_000_000, 20_000, 1_000
OptionParser
  .new do |options|
    options.on("--seed N", Integer) { |number| seed = number }
    options.on("--requests N", Integer) { |number| requests = number }
    options.on("--scores N", Integer) { |number| scores = number }
  end
  .parse!

settings = Stairwell::Server::Settings.from_env
log = StringIO.new
app = Stairwell::Server.app(settings, log: log)
tokens =
  lambda do
    store = Stairwell::Server::Store.new(settings.keeper_url)
    context =
      Stairwell::Server::StudioContexts.new(
        store: store,
        keeper: store,
        clock: Stairwell::Server::Clock.new(settings.fixed_now),
        settings: settings
      ).of_account(store.db[:accounts].get(:id))
    context.read do |tables|
      links = Stairwell::Server::Repositories::SheetLinks.new(tables)
      tables[:students]
        .select_map(:id)
        .filter_map { |id| links.path(id)&.delete_prefix("/s/") }
        .first(8)
    end
  end
# The owner and the teachers of the demo, an assistant of theirs, and the owner and a teacher of
# another studio.
people =
  lambda do
    store = Stairwell::Server::Store.new(settings.keeper_url)
    add = ->(name) do
      Stairwell::Server::Auth.add_account(
        store.db,
        email: "#{name}@fuzz.example",
        name: name,
        password: Demo::People::PASSWORD
      )
    end
    first = Stairwell::Server::Door::Keeper.new(account_id: store.db[:accounts].min(:id))
    own = store.studio_of(first)[:studio][:id]
    join = ->(studio, account, role) do
      store.in_studio(studio) do |db|
        db[:memberships].insert(studio_id: studio, account_id: account, role: role)
      end
    end
    name = ->(role) { "#{role}-#{seed}-#{Process.pid}" }
    join.call(own, add.call(name["assistant"]), "assistant")
    other =
      store.found_studio(
        name: "Far Shore",
        time_zone: "Asia/Tokyo",
        owner_id: add.call(name["owner-elsewhere"])
      )
    join.call(other, add.call(name["teacher-elsewhere"]), "teacher")
    made =
      %w[assistant owner-elsewhere teacher-elsewhere].map do |role|
        ["#{name[role]}@fuzz.example", role]
      end
    demo =
      Demo::People::TEACHERS.each_with_index.map do |one, at|
        [one[:email], at.zero? ? "owner" : "teacher"]
      end
    (demo + made).map do |email, role|
      { email: email, password: Demo::People::PASSWORD, role: role }
    end
  end
Sequel.connect(settings.owner_url) do |db|
  db.extension :pg_json
  puts "Seed #{seed}: #{requests} requests and #{scores} scores"
  fuzz = Fuzz::Demo.on(app, db, seed: seed, people: people.call, tokens: tokens.call)
  fuzz.requests(requests).scores(scores)
  puts "#{fuzz.sent} sent: #{fuzz.statuses.sort.map { |status, count| "#{status} × #{count}" }.join(", ")}"
  puts "Signed in as: #{fuzz.past_the_door.map { |role, count| "#{role} × #{count}" }.join(", ")}"
  puts format(
         "The longest took %.2f s of computing: %s",
         fuzz.slowest.first,
         fuzz.slowest.last.to_s[0, 300]
       )
  puts fuzz.faults.first(40).map(&:to_s)
  puts "#{fuzz.faults.size} faults"
  warn log.string[0, 6_000] if fuzz.faults.any? { |fault| fault.what.start_with?("5") }
  exit 1 if fuzz.faults.any?
end
