# frozen_string_literal: true

require "axe-rspec"
require "capybara/rspec"
require_relative "browser"
require_relative "noted"

Capybara.app = Noted.new(TestApp.app)
Capybara.server = :puma, { Silent: true, Threads: "1:5" }
Capybara.default_max_wait_time = 15
# Looking less often leaves the page the time to be drawn.
Capybara.default_retry_interval = 0.05
Capybara.enable_aria_label = true
# Every letter is typed. Otherwise the middle of a long text is put in behind the page's
# back, and is gone where the page is drawn anew meanwhile.
Capybara.default_set_options = { rapid: false }
Capybara.register_driver(:desk) do |app|
  Capybara::Selenium::Driver.new(
    app,
    browser: :chrome,
    options: Browser.options,
    service: Browser.service
  )
end
Capybara.register_driver(:phone) do |app|
  options =
    Browser.options.tap do |one|
      one.add_emulation(device_metrics: { width: 390, height: 844, pixelRatio: 1, touch: true })
    end
  Capybara::Selenium::Driver.new(app, browser: :chrome, options: options, service: Browser.service)
end
Capybara.default_driver = Capybara.javascript_driver = :desk

# What a person does in the browser, in the words of the screens.
module Visits
  include Capybara::DSL
  include Capybara::RSpecMatchers

  # What stood on the screens when an example failed, for a reader of the run's
  # output who has no picture of it.
  def self.tell(example)
    warn "\n#{example.full_description}"
    Capybara
      .send(:session_pool)
      .each_value do |session|
        unless session.current_url.start_with?("about:")
          warn "  at #{session.current_url}: #{session.text.tr("\n", " ")[0, 600]}"
        end
      rescue Capybara::CapybaraError, Selenium::WebDriver::Error::WebDriverError => error
        warn "  nothing can be said of a screen: #{error.message}"
      end
    warn "  requests: #{Noted.lines.join("\n            ")}"
    unless TestApp::LOG.string.empty?
      warn "  server: #{TestApp::LOG.string[-600..] || TestApp::LOG.string}"
    end
  end

  # Somebody who has signed in before: `session_spec` and the stories do it by the door.
  def sign_in(email: "owner@quay.example", password: TestApp::PASSWORD, path: "/")
    client = Class.new { include Requests }.new
    client.sign_in(email: email, password: password)
    client
      .rack_mock_session
      .cookie_jar
      .to_hash
      .slice("stairwell")
      .each do |name, value|
        page.driver.browser.execute_cdp(
          "Network.setCookie",
          name: name,
          value: Rack::Utils.escape(value),
          url: page.server_url
        )
      end
    visit path
    expect(page).to have_css("nav", text: "Today")
  end

  # The same by the door.
  def sign_in_by_hand
    visit "/"
    fill_in "Email", with: "owner@quay.example"
    fill_in "Password", with: TestApp::PASSWORD
    click_button "Sign in"
    expect(page).to have_css("nav", text: "Today")
  end

  # A step on the sheet, opened where it is a line of the list.
  def step(title, piece: "The Lock Gate")
    of = "section[aria-label='#{title}, #{piece}']"
    find(of).first("button").click unless find(of).has_css?("h2", wait: 0)
    find(of, text: "tap a box each time")
  end

  # Metronome, sound, walk and notes of what is open.
  def open_tools = find("details:not([open]) summary", text: "Metronome").click

  # Nothing that was tapped or heard waits in the browser any more.
  def expect_sent = expect(page).to have_no_css("[aria-busy=true]")

  # As when the plug is pulled, until the block ends. The browser's own way of being offline
  # lets through what its service worker asks for, and now and then more.
  def without_connection
    browser = page.driver.browser
    browser.network_conditions = { offline: true, latency: 0, throughput: 0 }
    Noted.unplugged = true
    yield
  ensure
    Noted.unplugged = false
    browser.delete_network_conditions
  end

  # As where what others do is heard of too late: from here on the page does not listen.
  def hear_nothing
    execute_script(
      "Object.defineProperty(document, 'visibilityState', {value: 'hidden', configurable: true}); document.dispatchEvent(new Event('visibilitychange'))"
    )
  end

  def go(place) = within("header nav") { click_link place }

  # @return [Capybara::Node::Element] a bar of the page, by its printed number
  def bar(name) = find("[role=option][data-bar]", text: /\A#{name}\z/, match: :first)

  def bar_at(index) = find("[data-bar='#{index}']")

  def keys(*pressed) =
    page.driver.browser.action.tap { |action| pressed.each { |key| action.send_keys(key) } }.perform

  def click_tab(name) = find("[role=tab]", text: name).click

  # Chooses bars by keyboard, then names them.
  def mark_by_keys(from, to, label, words = nil)
    bar_at(from).find("rect", match: :first).click
    action = page.driver.browser.action.key_down(:shift)
    (to - from).times { action.send_keys(:arrow_right) }
    action.key_up(:shift).send_keys("s").perform
    expect(page).to have_css("input[aria-label='Section letter']:focus")
    keys(label, :tab, :tab, words.to_s, :enter)
    expect(page).to have_button("Show section #{label}")
  end

  # @yieldreturn [String] the verb of the button, where it is another
  def mark_by_dragging(from, to, label, words = nil)
    ends = [from, to].map { |index| bar_at(index).find("rect", match: :first).native }
    page.driver.browser.action.click_and_hold(ends[0]).move_to(ends[1]).release.perform
    fill_in "Section letter", with: label
    fill_in "What it is like", with: words if words
    click_button(block_given? ? yield : "Mark section")
    expect(page).to have_button("Show section #{label}")
  end

  # axe finds nothing, in light and in dark.
  def expect_accessible
    expect(page).to be_axe_clean
    # What is dark differs by its colours alone.
    page.execute_script("document.documentElement.classList.toggle('dark')")
    expect(page).to be_axe_clean.checking_only(:"color-contrast")
    page.execute_script("document.documentElement.classList.toggle('dark')")
  end

  # @return [Array<String>] what the browser complained about
  def complaints
    page
      .driver
      .browser
      .logs
      .get(:browser)
      .map(&:message)
      .grep_v(
        /favicon|401 \(Unauthorized\)|409 \(Conflict\)|422|404 \(Not Found\)|ERR_INTERNET_DISCONNECTED/
      )
  end
end

# A studio with one student who has a piece; the session of the request helpers
# makes what the browser then shows.
RSpec.shared_context "a student with a piece" do
  include Requests

  let!(:studio) { TestApp.studio }
  let!(:student) { api { student_with_piece } }

  def api
    Requests.instance_method(:sign_in).bind_call(self)
    yield
  end

  def sign_in = Visits.instance_method(:sign_in).bind_call(self)

  # The family's sheet on their phone.
  # @param day [Integer, nil] of March 2027; nil leaves the day as it is
  # @param text [Integer] percent of the usual size
  def on_the_phone(day: 4, text: 100)
    TestApp.now = Time.utc(2027, 3, day, 12) if day
    Capybara.using_driver(:phone) do
      visit student["sheet_path"]
      page.execute_script("document.documentElement.style.fontSize = '#{text}%'")
      yield
    end
  end
end
