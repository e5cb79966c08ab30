# frozen_string_literal: true

require_relative "../spec_helper"

# A tablet, a phone, large text: nothing scrolls sideways, the header stays one row, and a finger
# hits what it is to hit.
RSpec.describe "On a small screen" do
  include_context "a student with a piece"
  include_context "other screens"

  places = {
    "/today" => "h1",
    "/lessons" => "h1",
    "/studio" => "[role=row]",
    "/students" => "h2",
    "/students/1" => "table",
    "/students/1/lesson" => "h1",
    "/classes" => "h1",
    "/library" => "section",
    "/library/type" => "textarea",
    "/library/1" => "[data-bar]",
    "/routines" => "ol",
    "/outbox" => "h1",
    "/settings" => "textarea"
  }.freeze

  # What stands out to the right, as far as it makes the page scroll.
  def sideways
    page.evaluate_script(<<~JS)
      document.documentElement.scrollWidth <= window.innerWidth ? [] :
        [...document.querySelectorAll("main *, header *")].filter((one) => {
          for (let up = one; up; up = up.parentElement) if (up !== one && ["auto", "scroll", "hidden"].includes(getComputedStyle(up).overflowX) && up !== document.body && up !== document.documentElement) return false;
          return one.getBoundingClientRect().right > window.innerWidth + 0.5;
        })
          .slice(0, 4).map((one) => `${one.tagName} ${(one.textContent || "").slice(0, 40)} to ${Math.round(one.getBoundingClientRect().right)}`)
    JS
  end

  screens = {
    "a phone" => [390, 844],
    "a tablet on end" => [768, 1024],
    "a tablet" => [1024, 768]
  }.freeze

  # A page is loaded once and made wider; then its text larger, on the phone.
  it "fits #{screens.keys.join(", ")}, with the header in one row, and a phone with text twice as large" do
    sign_in
    wide =
      places.flat_map do |path, css|
        screen(*screens["a phone"])
        visit path
        expect(page).to have_css(css)
        found =
          screens.flat_map do |name, size|
            screen(*size)
            header = "document.querySelector('header').getBoundingClientRect().height"
            expect(page.evaluate_script(header)).to be < 60
            sideways.map { |one| "#{path} on #{name}: #{one}" }
          end
        screen(*screens["a phone"])
        page.execute_script("document.documentElement.style.fontSize = '200%'")
        found + sideways.map { |one| "#{path} with large text: #{one}" }
      end
    expect(wide).to eq([]), wide.join("\n")
  end

  it "has the places behind one press, which closes wherever one goes" do
    sign_in
    screen(390, 844)
    visit "/today"
    expect(page).to have_no_link("Library")
    click_button "Today"
    click_link "Library"
    expect(page).to have_css("h1", text: "Library")
    expect(page).to have_no_link("Routines")
    expect(page).to have_button("Library", exact: true)
  end

  # Bars and treads, which have a table form, are left out. WCAG 2.2, 2.5.5 (from memory): 44 by 44
  # CSS pixels.
  it "gives a finger 44 pixels to hit" do
    sign_in
    screen(768, 1024, coarse: true)
    small =
      places.filter_map do |path, css|
        visit path
        expect(page).to have_css(css)
        found = page.evaluate_script(<<~JS)
        [...document.querySelectorAll("main button, header button, main select, header nav a")].filter((one) => one.offsetParent !== null)
          .map((one) => [one.getBoundingClientRect(), (one.textContent || one.ariaLabel || "").slice(0, 30)]).filter(([box]) => box.height < 43.5 || box.width < 43.5)
          .slice(0, 4).map(([box, text]) => `${text} ${Math.round(box.width)}x${Math.round(box.height)}`)
      JS
        [path, found] if found.any?
      end
    expect(small).to eq([])
  end

  it "has a way past the places by key, names its window, and says so of an address that leads nowhere" do
    sign_in
    visit "/library"
    expect(page).to have_title("Library · Stairwell")
    keys(:tab)
    expect(page).to have_css("a:focus", text: "Skip to the content")
    keys(:enter)
    expect(page).to have_css("main:focus")
    visit "/nowhere/at-all"
    expect(page).to have_text("There is nothing here")
    click_link "To today's lessons"
    expect(page).to have_css("h1")
    expect(page).to have_current_path("/today")
  end
end
