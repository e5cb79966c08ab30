# frozen_string_literal: true

require_relative "../spec_helper"

# Nothing jumps: the sum of all layout shifts, those after a click too (Layout Instability API of
# the W3C's WICG), stays below what the eye notices.
RSpec.describe "Pages stand still" do
  include Requests

  before do
    TestApp.studio
    Requests.instance_method(:sign_in).bind_call(self)
    student
    @script = cdp("Page.addScriptToEvaluateOnNewDocument", source: <<~JS)
      window.shifts = [];
      new PerformanceObserver((list) => { for (const one of list.getEntries()) window.shifts.push([one.value, ...one.sources.map(({node}) => node?.outerHTML?.slice(0, 90) ?? "")]); }).observe({type: "layout-shift", buffered: true});
    JS
    Visits.instance_method(:sign_in).bind_call(self)
  end

  after { cdp("Page.removeScriptToEvaluateOnNewDocument", identifier: @script["identifier"]) }

  let(:student) { student_with_piece }
  # From 0 to 1; what a page may have is 0.1 by the same source. Own choice: a fifth of it.
  let(:most) { 0.02 }

  def cdp(name, **how) = page.driver.browser.execute_cdp(name, **how)

  def shifted
    sleep 1
    page.evaluate_script("window.shifts")
  end

  it "when they are loaded" do
    jumping =
      {
        "/today" => "[role=listitem], section",
        "/lessons" => "section h2",
        "/studio" => "[role=row]",
        "/students" => "main a",
        "/students/1" => "table",
        "/students/1/lesson" => "textarea",
        "/library" => "section",
        "/library/1" => "[data-bar]",
        "/routines" => "ol",
        "/outbox" => "main",
        "/settings" => "section",
        "/guide" => "section",
        student["sheet_path"] => "section"
      }.filter_map do |path, css|
        visit path
        expect(page).to have_css(css)
        found = shifted
        if found.sum(&:first) >= most
          "#{path}: #{found.sum(&:first).round(3)} #{found.sort_by { |one| -one.first }.first(2)}"
        end
      end
    expect(jumping).to eq([]), jumping.join("\n")
  end

  it "when bars are chosen and a piece is assigned" do
    visit "/library/1"
    expect(page).to have_css("[data-bar]")
    sleep 1
    page.execute_script("window.shifts = []")
    bar_at(3).click
    expect(shifted.sum(&:first)).to be < most, shifted.first(2).inspect
    click_button "Assign to a student"
    expect(shifted.sum(&:first)).to be < most, shifted.sort_by { |one| -one.first }.first(3).inspect
  end

  it "when the sign-in answers" do
    find("button[aria-label='Sign out']").click
    expect(page).to have_field("Password")
    visit "/"
    expect(page).to have_field("Password")
    sleep 1
    page.execute_script("window.shifts = []")
    fill_in "Email", with: "owner@quay.example"
    fill_in "Password", with: "not this one"
    click_button "Sign in"
    expect(page).to have_css("[role=alert]")
    expect(shifted.sum(&:first)).to be < most, shifted.first(2).inspect
    fill_in "Password", with: TestApp::PASSWORD
    click_button "Sign in"
    expect(page).to have_css("h1")
    expect(shifted.sum(&:first)).to be < most, shifted.first(2).inspect
  end

  # Without this the rest could not fail.
  it "is measured: what is put in at the top is seen to move the page" do
    visit "/today"
    expect(page).to have_css("section")
    page.execute_script(
      "const box = document.createElement('div'); box.style.height = '200px'; document.body.prepend(box)"
    )
    expect(shifted.sum(&:first)).to be > most
  end
end
