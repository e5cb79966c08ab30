# frozen_string_literal: true

# Serves the demo studio and photographs it. Called by bin/screenshots.

require "net/http"
require "optparse"
require "tempfile"
root = File.expand_path("../..", __dir__)
$LOAD_PATH.unshift(root, File.join(root, "spec/support"))
require "browser"
require "demo/people"

# Opens places as a teacher or a family would and writes what it sees.
class Photographer
  PORT = 4399
  ADDRESS = "http://127.0.0.1:#{PORT}"

  def initialize(out, names)
    @out = out
    @names = names
  end

  def call
    serve do
      @driver = Browser.driver
      resize(1280, 800)
      shot("open", "/open", wait: "form") if @names.include?("open")
      sign_in
      pictures
    ensure
      @driver&.quit
    end
  end

  private

  def serve
    server =
      Process.spawn(
        "bundle",
        "exec",
        "puma",
        "--quiet",
        "--environment",
        "production",
        "--threads",
        "1:3",
        "--bind",
        "tcp://127.0.0.1:#{PORT}",
        "config.ru",
        out: File::NULL
      )
    50.times do
      if begin
           Net::HTTP.get_response(URI("#{ADDRESS}/health"))
         rescue StandardError
           nil
         end
        break
      end # standard:disable Style/RescueModifier
      sleep 0.2
    end
    yield
  ensure
    Process.kill("TERM", server)
    Process.wait(server)
  end

  def sign_in
    @driver.get(ADDRESS)
    find("input[type=email]").send_keys(Demo::People::TEACHERS.first[:email])
    find("input[type=password]").send_keys(Demo::People::PASSWORD, :enter)
    find("nav")
  end

  def pictures
    shot("today", "/today", wait: "[role=listitem]")
    shot("lessons", "/lessons?teachers=all", wait: "section h2")
    shot("class-lesson", "/classes/1/lesson", wait: "[data-cell]")
    shot("studio", "/studio", wait: "[role=row]")
    shot("students", "/students", wait: "h2")
    shot("library", "/library", wait: "section")
    shot("type", "/library/type", wait: "textarea") { type_a_page }
    shot("piece", "/library/2", wait: "[data-bar]") { choose_bars(10, 13) }
    shot("piece-check", "/library/4", wait: "[data-bar]") { spoil_and_check }
    shot("where-next", "/library/6", wait: "[data-bar]") { ask_where_next }
    shot("piece-preview", "/library/8", wait: "[data-bar]") { preview }
    shot("routines", "/routines", wait: "ol")
    shot("student", "/students/1", wait: "table")
    shot("stairs", "/students/1", wait: "table") do
      find("svg[aria-label^='The stairs']").then do |one|
        @driver.execute_script("arguments[0].closest('.stairs-page').scrollIntoView()", one)
      end
    end
    shot("lesson", "/students/1/lesson", wait: "[role=listitem]")
    sheet, child = sheet_of(9), sheet_of(4)
    shot("people", "/settings", wait: "section[aria-label=People] li") do
      find("section[aria-label=People]").then do |one|
        @driver.execute_script("arguments[0].scrollIntoView()", one)
      end
    end
    resize(390, 844)
    shot("sheet", sheet, wait: "section")
    shot("child", child, wait: "section h2")
    print_sheet(sheet)
  end

  def sheet_of(student)
    @driver.get("#{ADDRESS}/students/#{student}")
    URI(find("input[readonly]").attribute("value")).path
  end

  def type_a_page
    area = find("textarea")
    area.clear
    area.send_keys(
      "title: Two Gulls Arguing\nbook: Tidewater Primer 3\npage 21: 4 4\npage 22: 4 4\ntime: 6/8\nkey: D minor\nrepeat: 1-8\nending 1: 8\nendng 2: 9\nsection A: 1-4\nsection B: 5-8\n"
    )
    sleep 1
  end

  def bar(index) = find("[data-bar='#{index}'] rect")

  def choose_bars(from, to) =
    @driver.action.click_and_hold(bar(from)).move_to(bar(to)).release.perform

  def keys(*pressed) =
    @driver.action.tap { |action| pressed.each { |key| action.send_keys(key) } }.perform

  def press(words)
    Selenium::WebDriver::Wait
      .new(timeout: 8)
      .until { @driver.find_elements(css: "button").find { |one| one.text.strip == words } }
      .click
  end

  def spoil_and_check
    bar(12).click
    keys("d", "k")
    sleep 1.5
  end

  def ask_where_next
    press("Where next?")
    sleep 1
    keys("3")
    sleep 0.5
  end

  def preview
    bar(10).click
    keys("l")
    sleep 1
    @driver.execute_script("document.querySelector('[role=tabpanel]').scrollTop = 640")
  end

  def shot(name, path, wait:, dark: false)
    return unless wanted?(name)

    if @driver.current_url.start_with?("http")
      @driver.execute_script(
        "localStorage.setItem('stairwell-looks', arguments[0])",
        JSON.generate(dark: dark, size: "desk")
      )
    end
    @driver.get(ADDRESS + path)
    find(wait)
    yield if block_given?
    sleep 0.6
    @driver.save_screenshot(File.join(@out, "#{name}.png"))
    puts name
  end

  # The print that the server makes, as a picture.
  def print_sheet(path)
    return unless wanted?("sheet-print")

    Tempfile.create(%w[week .pdf], binmode: true) do |pdf|
      pdf.write(Net::HTTP.get(URI(ADDRESS + path.sub("/s/", "/api/sheet/") + "/week.pdf")))
      pdf.flush
      system(
        "pdftoppm",
        "-r",
        "96",
        "-png",
        "-singlefile",
        pdf.path,
        File.join(@out, "sheet-print"),
        exception: true
      )
    end
    puts "sheet-print"
  end

  # The page itself in that size, not the window around it.
  def resize(width, height)
    @driver.execute_cdp(
      "Emulation.setDeviceMetricsOverride",
      width: width,
      height: height,
      deviceScaleFactor: 1,
      mobile: width < 500
    )
  end

  def wanted?(name) = @names.empty? || @names.include?(name)

  def find(css) =
    Selenium::WebDriver::Wait
      .new(timeout: 10)
      .until { @driver.find_elements(css: css).find(&:displayed?) }
end

out = File.join(root, "docs/screenshots")
OptionParser.new { |options| options.on("--out FOLDER") { |folder| out = folder } }.parse!
Photographer.new(out, ARGV).call
