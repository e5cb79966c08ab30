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

  def found(path)
    [false, true].filter_map do |dark|
      page.execute_script("document.documentElement.classList.toggle('dark', arguments[0])", dark)
      audit = targets.audit(page)
      "#{path}#{" dark" if dark}: #{audit.failure_message[0, 900]}" unless audit.passed?
    end
  end

  { "390" => 844, "768" => 1024, "1280" => 800 }.each do |width, height|
    it "has nothing that axe finds, #{width} pixels wide" do
      visit "/"
      screen(width.to_i, height)
      expect(page).to have_field("Email")
      wrong = found("/")
      screen(1280, 800)
      sign_in
      screen(width.to_i, height)
      paths = places.merge(student["sheet_path"] => "main section")
      paths.each do |path, css|
        visit path
        expect(page).to have_css(css)
        wrong += found(path)
      end
      expect(wrong).to eq([]), wrong.join("\n")
    end
  end
end
