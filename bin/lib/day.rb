# frozen_string_literal: true

# What bin/load runs: people come as they come, whether the server keeps up or not, and how long
# each waited is counted.

root = File.expand_path("../..", __dir__)
$LOAD_PATH.unshift(root, File.join(root, "core/lib"))
require "json"
require "net/http"
require "optparse"
require "securerandom"
require "db/prepare"
require "demo/studio"
require_relative "many_studios"
require_relative "served"

# How often something happens in a studio, all our own choice from how teachers work: twenty
# students, of whom a fifth have a lesson on a day, within six hours; seven of ten practise that
# day, within four hours; the busiest quarter of an hour has twice the mean.
module Expected
  STUDENTS = 20
  LESSONS = STUDENTS / 5.0 / (6 * 3_600)
  SITTINGS = STUDENTS * 0.7 / (4 * 3_600)
  BUSIEST = 2.0
end

# Everyone who asks the server something in the time it is watched.
class Day
  # Seconds between what one person does, shorter than in life so that whole lessons fall into the
  # run. Own choice.
  BETWEEN = 2.0
  RESULTS = 4
  TAPS = 10

  def initialize(server, studios:, times:)
    @server = server
    @studios = studios
    @times = times
    @asked = Queue.new
  end

  # @param seconds [Integer]
  # @return [Array<Hash>] what was asked: name:, took:, failed:
  def lessons(seconds)
    teachers = signed_in((Expected::LESSONS * Expected::BUSIEST * @studios * @times * seconds).ceil)
    arriving(seconds, teachers) { |http, who| lesson(http, who) }
  end

  def taps(seconds)
    sheets =
      @server.sheets((Expected::SITTINGS * Expected::BUSIEST * @studios * @times * seconds).ceil)
    arriving(seconds, sheets) { |http, sheet| sitting(http, sheet) }
  end

  private

  # Who comes does not wait for those before.
  def arriving(seconds, people)
    random = Random.new(7)
    began = now
    threads =
      people
        .map { |who| [random.rand * seconds, who] }
        .sort_by(&:first)
        .map do |at, who|
          sleep [began + at - now, 0].max
          Thread.new { @server.connected { |http| yield http, who } }
        end
    threads.each(&:join)
    Array.new(@asked.size) { @asked.pop }.tap { |all| all.each { |one| one[:over] = now - began } }
  end

  def signed_in(count)
    Array
      .new(count) { |at| { studio: 1 + at * 7 % @studios, student: 1 + at % Expected::STUDENTS } }
      .each_slice(8)
      .flat_map do |some|
        some
          .map { |who| Thread.new { who.merge(headers: @server.sign_in(who[:studio])) } }
          .map(&:value)
      end
  end

  def lesson(http, who)
    path = "/api/students/#{who[:student]}"
    get = ->(name, address) { ask(name, http, Net::HTTP::Get.new(address, who[:headers])) }
    get.call("today", "/api/today")
    steps = get.call("the lesson", "#{path}/lesson")["steps"].to_a
    steps
      .first(RESULTS)
      .each_with_index do |step, at|
        sleep BETWEEN
        send(
          http,
          "a result",
          Net::HTTP::Post,
          "#{path}/results",
          who,
          {
            assignment_id: step["assignment_id"],
            step_id: step["id"],
            result: %w[steady shaky][at % 2],
            key: SecureRandom.uuid
          }
        )
      end
    sleep BETWEEN
    written = get.call("the lesson", "#{path}/lesson")["lesson"]
    send(
      http,
      "the recap",
      Net::HTTP::Put,
      "#{path}/lesson",
      who,
      { recap: "Well done.", version: written ? written["version"] : 0 }
    )
    sleep BETWEEN
    send(http, "finishing", Net::HTTP::Post, "#{path}/lesson/finish", who, { send: false })
  end

  def sitting(http, sheet)
    days = ask("the sheet", http, Net::HTTP::Get.new(sheet.path))["days"].to_a
    item = days.flat_map { |day| day["items"] }.first or return
    TAPS.times do
      sleep BETWEEN
      send(
        http,
        "a tap",
        Net::HTTP::Post,
        "#{sheet.path}/marks",
        { headers: {} },
        {
          kind: "repetition",
          key: SecureRandom.uuid,
          assignment_id: item["assignment_id"],
          step_id: item["step_id"]
        }
      )
    end
    ask("the sheet", http, Net::HTTP::Get.new(sheet.path))
  end

  def send(http, name, verb, path, who, body)
    request = verb.new(path, who[:headers].merge("Content-Type" => "application/json"))
    request.body = JSON.generate(body)
    ask(name, http, request)
  end

  def ask(name, http, request)
    began = now
    answer = http.request(request)
    failed = !answer.is_a?(Net::HTTPSuccess)
    @asked << {
      name: name,
      took: now - began,
      failed: failed && "#{answer.code} #{answer.body.to_s[0, 120]}"
    }
    failed ? {} : JSON.parse(answer.body)
  rescue SystemCallError, IOError, Timeout::Error => error
    @asked << { name: name, took: now - began, failed: error.class.name }
    {}
  end

  def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
end

# What was asked, as a table.
module Told
  module_function

  def all(title, asked, before, after)
    seconds = asked.map { |one| one[:over] }.max
    puts "",
         format(
           "%s: %d requests in %d s, %.1f a second; memory of the processes %d MB before, %d MB after",
           title,
           asked.size,
           seconds,
           asked.size / seconds,
           before,
           after
         )
    asked
      .group_by { |one| one[:name] }
      .each do |name, some|
        puts format(
               "  %-12s %6d  median %6.0f ms  95 %% %6.0f ms  99 %% %6.0f ms  failed %d",
               name,
               some.size,
               *[0.5, 0.95, 0.99].map { |share| at(some, share) * 1000 },
               some.count { |one| one[:failed] }
             )
      end
    asked
      .filter_map { |one| one[:failed] }
      .tally
      .first(5)
      .each { |why, count| puts "  #{count} × #{why}" }
  end

  def at(some, share) = some.map { |one| one[:took] }.sort[(share * (some.size - 1)).round]
end

studios, minutes, times, web = 1_000, 2.0, 1.0, 2
OptionParser
  .new do |options|
    options.on("--studios N", Integer) { |count| studios = count }
    options.on("--minutes M", Float) { |count| minutes = count }
    options.on("--times T", Float) { |factor| times = factor }
    options.on("--web N", Integer) { |count| web = count }
  end
  .parse!

settings = Stairwell::Server::Settings.from_env
Sequel.connect(settings.owner_url) do |db|
  unless db.table_exists?(:studios) && db[:studios].count == studios
    puts "• Making #{studios} studios"
    db.run("DROP SCHEMA public CASCADE; CREATE SCHEMA public")
    Stairwell::Prepare.call(settings)
    Demo::Studio.new(settings).make
    db.extension :pg_json
    ManyStudios.make(db, studios)
  end
  puts "• #{db[:students].count} students, #{db[:practice_marks].count} marks, #{(db.get(Sequel.lit("pg_database_size(current_database())")) / 1e6).round} MB"
end

Served
  .new(settings, web: web)
  .run do |server|
    day = Day.new(server, studios: studios, times: times)
    [["The afternoon", :lessons], ["The evening", :taps]].each do |title, part|
      before = server.megabytes
      asked = day.public_send(part, (minutes * 60).round)
      Told.all(title, asked, before, server.megabytes)
    end
  end
