# frozen_string_literal: true

require_relative "../spec_helper"

# Every page at three widths, in light and dark, by axe: with the rule of labels, and that of
# targets, which it leaves out unless it is asked for (WCAG 2.2, 2.5.8: 24 by 24 CSS pixels, or room
# around).
RSpec.describe "Every page" do
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
    "/library" => "section h2",
    "/library/type" => "textarea",
    "/library/1" => "[data-bar]",
    "/routines" => "ol",
    "/outbox" => "h1",
    "/settings" => "textarea",
    "/guide" => "section"
  }.freeze
  # Bars and treads are drawn; what they say stands in a table or a list beside.
  def targets =
    be_axe_clean.excluding("svg[role=listbox]", "svg[role=group]").checking("target-size", "label")

  def found(path, rules = targets)
    audit = rules.audit(page)
    audit.passed? ? [] : ["#{path}: #{audit.failure_message[0, 900]}"]
  end

  # What is dark differs by its colours alone, which are the same at every width.
  def found_in_the_dark(path)
    page.execute_script("document.documentElement.classList.add('dark')")
    found("#{path} in the dark", be_axe_clean.checking_only(:"color-contrast"))
  ensure
    page.execute_script("document.documentElement.classList.remove('dark')")
  end

  widths = { "390" => 844, "768" => 1024, "1280" => 800 }.freeze

  # A page is loaded once and made narrower and wider.
  it "has nothing that axe finds, #{widths.keys.join(", ")} pixels wide" do
    at_each_width = ->(path) do
      widths.flat_map do |width, height|
        screen(width.to_i, height)
        found("#{path} #{width} wide")
      end + found_in_the_dark(path)
    end
    visit "/"
    expect(page).to have_field("Email")
    wrong = at_each_width["/"]
    sign_in
    places
      .merge(student["sheet_path"] => "main section")
      .each do |path, css|
        visit path
        expect(page).to have_css(css)
        wrong += at_each_width[path]
      end
    expect(wrong).to eq([]), wrong.join("\n")
  end
end
