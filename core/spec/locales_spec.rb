# frozen_string_literal: true

require_relative "spec_helper"
require "yaml"

# The locale files against the code: whatever is said has a text, every text is said,
# with the values it asks for; and the usages of English differ where they should.
RSpec.describe "The locale files" do
  root = File.expand_path("../..", __dir__)
  sources = {
    "core" => Dir["#{root}/core/lib/**/*.rb"],
    "server" => Dir["#{root}/server/**/*.rb"],
    "web" => Dir["#{root}/web/src/**/*.{ts,tsx}"].grep_v(/\.test\.|schema\.d/)
  }
  load = ->(part, tag) do
    "#{root}/#{part}/locales/#{tag}.yml".then do |file|
      File.exist?(file) ? YAML.load_file(file).fetch(tag) : {}
    end
  end
  flat = ->(node, path = []) do
    if node.is_a?(Hash)
      node.flat_map { |key, value| flat.call(value, [*path, key]).to_a }.to_h
    else
      { path.join(".") => node }
    end
  end
  texts =
    %w[en en-US en-GB].to_h do |tag|
      [tag, sources.keys.map { |part| flat.call(load.call(part, tag)) }.reduce(:merge)]
    end
  english = texts.fetch("en")
  # Plural forms are one text (CLDR's names of them).
  plural = /\.(?:zero|one|two|few|many|other)\z/
  by_name =
    english.group_by { |key, _| key.sub(plural, "") }.transform_values { |pairs| pairs.map(&:last) }
  names = english.keys.flat_map { |key| [key, key.sub(plural, "")] }.uniq
  # What the library and the pieces of a phrase read by themselves.
  # Said in weeks that were planned before there were rows, and are kept.
  kept_in_weeks =
    /\A(?:studio\.planned_weeks\.(?:nothing_else_in_hand|only_so_many_begin|part_of|parts|waits_to_be_introduced)|planning\.(?:day_extras|filling|overrides|week|reasons\.fewer)|progress\.piece\.from_the_start)\b/
  own = /\A(?:date|number|between|lists|ordinals|formerly|locale|i18n)\b/

  # Keys as they stand in the code; what is put into them may be anything.
  called =
    sources.flat_map do |part, files|
      files.flat_map do |file|
        code = File.read(file)
        found =
          (
            if part == "web"
              code.scan(/\bt\(\s*(?:"([^"]+)"|`([^`]+)`)/).map(&:compact)
            else
              code.scan(/Phrase\[\s*(?:"((?:[^"#]|#\{[^}]*\})+)")/)
            end
          )
        choices =
          (
            if part == "web"
              code.scan(/\bt\([^"`()]*\?\s*"([^"]+)"\s*:\s*"([^"]+)"/)
            else
              code.scan(/Phrase\[[^"\]]*(?:\?|\bif\b[^"\]]*)\s*"([^"]+)"\s*(?::|else)\s*"([^"]+)"/)
            end
          )
        (found + choices).flatten.map { |key| [(part == "web") ? "web.#{key}" : key, file] }
      end
    end
  gaps = /\$\{[^}]*\}|#\{(?:[^{}]|\{[^}]*\})*\}/
  pattern = ->(key) do
    Regexp.new("\\A#{key.split(gaps, -1).map { |bit| Regexp.escape(bit) }.join("[a-z0-9_]+")}\\z")
  end

  it "have a text for everything that is said" do
    missing =
      called.reject do |key, _|
        key.match?(gaps) ? names.any?(pattern.call(key)) : names.include?(key)
      end
    expect(missing.map { |key, file| [key, file.delete_prefix(root)] }).to eq([])
    # As many as there are: a scan that finds nothing finds no fault.
    expect(called.size).to be > 900
  end

  it "hold nothing that nobody says" do
    plain, patterns = called.map(&:first).uniq.partition { |key| !key.match?(gaps) }
    patterns = patterns.map { |key| pattern.call(key) }
    said = ->(name) { plain.include?(name) || patterns.any? { |one| name.match?(one) } }
    expect(
      english.keys.reject do |key|
        key.match?(own) || key.match?(kept_in_weeks) || said.call(key) ||
          said.call(key.sub(plural, ""))
      end
    ).to eq([])
  end

  it "are given the values they ask for" do
    wanting =
      sources.flat_map do |part, files|
        call =
          (
            if part == "web"
              /\bt\(\s*"([^"]+)"((?:[^()]|\((?:[^()]|\([^()]*\))*\))*)\)/
            else
              /Phrase\[\s*"([^"#]+)"((?:[^\[\]]|\[(?:[^\[\]]|\[[^\[\]]*\])*\])*)\]/
            end
          )
        files.flat_map do |file|
          File
            .read(file)
            .scan(call)
            .filter_map do |key, given|
              asked =
                by_name
                  .fetch((part == "web") ? "web.#{key}" : key, [])
                  .join
                  .scan(/%\{(\w+)\}/)
                  .flatten
                  .uniq
              left =
                asked.reject do |name|
                  given.match?(/\b#{name}\b\s*(?::|,|\}|\z)/) || given.include?("**")
                end
              [key, left, File.basename(file)] if left.any?
            end
        end
      end
    expect(wanting).to eq([])
  end

  it "ask for no value under a name the library keeps for itself" do
    kept = I18n::RESERVED_KEYS.map(&:to_s) - %w[count]
    expect(
      english.values.grep(String).flat_map { |text| text.scan(/%\{(\w+)\}/).flatten } & kept
    ).to eq([])
  end

  %w[en-US en-GB].each do |tag|
    it "of #{tag} change texts there are, and ask for the same values" do
      other = texts.fetch(tag).reject { |key, _| key.match?(/\A(?:formerly|locale|date)\b/) }
      expect(other.keys - english.keys).to eq([])
      values = ->(text) { text.scan(/%\{\w+\}/).sort }
      expect(
        other.reject do |key, text|
          values.call(text) == values.call(english.fetch(key)) && text != english.fetch(key)
        end
      ).to eq({})
    end
  end

  # The script's own words are no English of ours, nor are bar lines another word.
  bar = /(?<!%\{|\bdouble )\b[Bb]ars?\b(?!\}|:| lines?\b)/

  it "say measure in American usage wherever English says bar" do
    expect(
      english
        .select { |key, text| text.is_a?(String) && text.match?(bar) && !key.start_with?("locale") }
        .keys - texts.fetch("en-US").keys
    ).to eq([])
    expect(
      texts
        .fetch("en-US")
        .select do |key, text|
          text.is_a?(String) && text.match?(bar) && !key.start_with?("formerly")
        end
    ).to eq({})
  end

  it "say no American note value in British usage" do
    value = /\b(?:whole|half|quarter|eighth|sixteenth|thirty-second)/
    british =
      english
        .merge(texts.fetch("en-GB"))
        .select do |key, text|
          text.is_a?(String) &&
            text.gsub(/%\{\w+\}/, "").match?(
              key.match?(/\A(?:note_values|sections\.values)\./) ? value : /#{value} notes?\b/o
            )
        end
    expect(british.except(*english.keys.grep(/\Aformats\.page_script/))).to eq({})
  end
end
