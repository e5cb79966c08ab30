# frozen_string_literal: true

require_relative "served"

# Two hundred people tapping at once for bin/bench, while lessons are open: how long until whoever
# has the lesson open sees a tap, with two processes and with one.
module Tapping
  PEOPLE = 200
  LESSONS = 20
  # Seconds it lasts, and between two taps of one person. Own choice: four bars at sixty, and
  # finding the place again.
  LASTS = 60
  EVERY = 15.0
  # What the browser waits between news and loading, and before it listens again: see
  # web/src/api/news.ts.
  GATHER, BREATH = 0.12, 0.4
  private_constant :LASTS, :EVERY, :GATHER, :BREATH

  # @param settings [Stairwell::Server::Settings]
  # @return [void]
  def tapping(settings)
    one, two =
      [1, 2].map { |web| Served.new(settings, web: web).run { |server| Crowded.new(server).call } }
    figure = ->(name, unit, &value) do
      puts format(
             "%-52s %9.2f %s  %9.2f %s  %8.2f ×  %s",
             name,
             value[two],
             unit,
             value[one],
             unit,
             value[two] / value[one].to_f,
             "by one process"
           )
    end
    figure.call("200 tapping: until it is seen, 95 %", "s ") { |all| share(all[:seen], 0.95) }
    figure.call("200 tapping: until it is seen, the longest", "s ") { |all| all[:seen].max }
    figure.call("200 tapping: the answer to a tap, 95 %", "s ") { |all| share(all[:taps], 0.95) }
    puts format(
           "%-52s %9d    %9d    of %d and %d",
           "200 tapping: taps whoever had the lesson open saw",
           two[:seen].size,
           one[:seen].size,
           two[:shown],
           one[:shown]
         )
    unless [one, two].all? { |all| all[:failed].zero? && all[:seen].size == all[:shown] }
      abort "taps were lost: #{two[:failed]} #{one[:failed]}"
    end
  end

  private

  def share(all, part) = all.sort[(part * (all.size - 1)).round]

  # The people of one run.
  class Crowded
    def initialize(server)
      @server = server
      @taps, @failed = Queue.new, Queue.new
      # By student, what was tapped when; and what the lesson has shown of it.
      @tapped = Hash.new { |all, student| all[student] = [] }
      @seen = Queue.new
    end

    # @return [Hash] taps: and seen: seconds, shown: taps of students whose lesson was open, failed:
    def call
      sheets = @server.sheets(PEOPLE)
      items = opened(sheets)
      # Of others today is no day of the week that a lesson shows: theirs was yesterday.
      watched = items.select { |_, item| item["today"] }.keys.first(LESSONS)
      teachers = watched.map(&:studio_id).uniq.to_h { |studio| [studio, @server.sign_in(studio)] }
      listeners = watched.map { |sheet| Thread.new { listen(sheet, teachers[sheet.studio_id]) } }
      sleep 5
      @tapped.clear
      [@taps, @seen].each(&:clear)
      @begun = true
      sheets.map { |sheet| Thread.new { tap(sheet, items[sheet]) } }.each(&:join)
      sleep 3
      listeners.each(&:kill)
      {
        taps: drained(@taps),
        seen: drained(@seen),
        shown: watched.sum { |sheet| @tapped[sheet].size },
        failed: @failed.size
      }
    end

    private

    # Everyone has their sheet open, and has tapped once: what the first tap of a day sets off is
    # over.
    # @return [Hash{Sheet => Hash}] what each will tap
    def opened(sheets)
      today = Date.today.to_s
      sheets
        .to_h do |sheet|
          @server.connected do |http|
            days = json(http, sheet.path)["days"]
            within = days.any? && (days.first["date"]..days.last["date"]).cover?(today)
            [
              sheet,
              (days.find { |day| day["date"] == today } || days.first)["items"]
                .then { |items| items.find { |item| item["kind"] != "more" } || items.first }
                .merge("today" => within)
                .tap { |item| once(http, sheet, item) }
            ]
          end
        end
        .tap { @server.jobs_done }
    end

    def once(http, sheet, item)
      request = Net::HTTP::Post.new("#{sheet.path}/marks", { "Content-Type" => "application/json" })
      request.body =
        JSON.generate(
          {
            kind: "repetition",
            key: SecureRandom.uuid,
            assignment_id: item["assignment_id"],
            step_id: item["step_id"]
          }
        )
      began = now
      @tapped[sheet] << began
      answer = http.request(request)
      @taps << (now - began)
      @failed << "#{answer.code} #{answer.body[0, 200]}" unless answer.is_a?(Net::HTTPSuccess)
    end

    def tap(sheet, item)
      sleep Random.new(sheet.path.hash).rand * EVERY
      @server.connected do |http|
        (LASTS / EVERY).to_i.times do
          once(http, sheet, item)
          sleep EVERY
        end
      end
    end

    # As the lesson in the browser: waits for news, then loads what is shown again.
    def listen(sheet, teacher)
      path = "/api/students/#{sheet.student_id}/lesson"
      window = SecureRandom.hex(8)
      since, before, seen = -1, nil, 0
      @server.connected do |http|
        loop do
          news = json(http, "/api/news?since=#{since}&window=#{window}", teacher)
          since =
            news
              .map do |one|
                (one["channel"] == "/__status") ? one["data"].values.max : one["message_id"]
              end
              .push(since)
              .max
          if !@begun || before.nil? ||
               news.any? { |one| one["data"]["student_id"] == sheet.student_id }
            sleep GATHER
            done = @server.connected { |other| practised(json(other, path, teacher)) }
            next before = done unless @begun && before

            at = now
            (done - before - seen).times { @seen << (at - @tapped[sheet][seen]) && seen += 1 }
          end
          sleep BREATH
        end
      end
    end

    def practised(lesson) =
      lesson["steps"].sum { |step| step["days"].sum { |day| day["repetitions"].to_i } }

    def json(http, path, headers = {}) =
      JSON.parse(http.request(Net::HTTP::Get.new(path, headers)).body)

    def drained(queue) = Array.new(queue.size) { queue.pop }

    def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  end
  private_constant :Crowded
end
