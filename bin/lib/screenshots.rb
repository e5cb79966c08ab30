# frozen_string_literal: true

# Serves the demo studio and photographs it. Called by bin/screenshots.

require "net/http"
require "optparse"
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
      shot("sign-in", "/", wait: "form")
      sign_in
      pictures
    ensure
      @driver&.quit
    end
  end

  private

  def serve
    server = Process.spawn("bundle", "exec", "puma", "--quiet", "--environment", "production", "--threads", "1:3",
      "--bind", "tcp://127.0.0.1:#{PORT}", "config.ru", out: File::NULL)
    50.times do
      break if (Net::HTTP.get_response(URI("#{ADDRESS}/health")) rescue nil) # standard:disable Style/RescueModifier
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
    shot("studio", "/studio", wait: "[role=row]")
    shot("students", "/students", wait: "h2")
    shot("library", "/library", wait: "section")
    shot("type", "/library/type", wait: "textarea") { type_a_page }
    shot("piece", "/library/2", wait: "[data-bar]") { point_at_bar(11) }
    shot("student", "/students/1", wait: "table")
    shot("lesson", "/students/1/lesson", wait: "[role=listitem]")
    sheet = find_sheet
    shot("piece-dark", "/library/6", wait: "[data-bar]", dark: true)
    shot("studio-at-the-piano", "/studio", wait: "[role=row]", size: "piano")
    resize(390, 844)
    shot("sheet", sheet, wait: "section")
    print_sheet(sheet)
  end

  def find_sheet
    @driver.get("#{ADDRESS}/students/4")
    URI(find("input[readonly]").attribute("value")).path
  end

  def type_a_page
    area = find("textarea")
    area.clear
    area.send_keys("title: Two Gulls Arguing\nbook: Tidewater Primer 3\npage 21: 4 4\npage 22: 4 4\ntime: 6/8\nkey: D minor\nrepeat: 1-8\nending 1: 8\nendng 2: 9\nsection A: 1-4\nsection B: 5-8\n")
    sleep 1
  end

  def point_at_bar(index)
    bar = find("[data-bar='#{index}'] rect")
    @driver.action.move_to(bar).click.perform
  end

  def shot(name, path, wait:, dark: false, size: "desk")
    return unless wanted?(name)

    @driver.execute_script("localStorage.setItem('stairwell-looks', arguments[0])", JSON.generate(dark: dark, size: size)) if @driver.current_url.start_with?("http")
    @driver.get(ADDRESS + path)
    find(wait)
    yield if block_given?
    sleep 0.6
    @driver.save_screenshot(File.join(@out, "#{name}.png"))
    puts name
  end

  def print_sheet(path)
    return unless wanted?("sheet-print")

    @driver.get(ADDRESS + path)
    find("section")
    @driver.execute_cdp("Emulation.setEmulatedMedia", media: "print")
    resize(794, 1123)
    @driver.save_screenshot(File.join(@out, "sheet-print.png"))
    puts "sheet-print"
  end

  # The page itself in that size, not the window around it.
  def resize(width, height)
    @driver.execute_cdp("Emulation.setDeviceMetricsOverride", width: width, height: height, deviceScaleFactor: 1, mobile: width < 500)
  end

  def wanted?(name) = @names.empty? || @names.include?(name)

  def find(css) = Selenium::WebDriver::Wait.new(timeout: 10).until { @driver.find_elements(css: css).find(&:displayed?) }
end

out = File.join(root, "docs/screenshots")
OptionParser.new { |options| options.on("--out FOLDER") { |folder| out = folder } }.parse!
Photographer.new(out, ARGV).call
