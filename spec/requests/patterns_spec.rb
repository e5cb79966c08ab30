# frozen_string_literal: true

require_relative "../spec_helper"
require "ripper"
require "yaml"

# Every pattern that runs over what comes from outside runs in linear time. Ruby 3.1 knows
# no limit for a pattern's time, so each is shown to need none.
RSpec.describe "Patterns" do
  root = File.expand_path("../..", __dir__)

  # Of the contract and the schemas: the ends of a text are what JSON Schema says.
  def self.declared(data, found = [])
    case data
    when Hash
      data.each do |key, one|
        (key == "pattern" && one.is_a?(String)) ? found << one : declared(one, found)
      end
    when Array
      data.each { |one| declared(one, found) }
    end
    found
  end

  # Of Ruby's source: [pattern, its options].
  def self.written(file)
    tokens = Ripper.lex(File.read(file)).map { |_, kind, text| [kind, text] }
    tokens
      .each_index
      .select { |at| tokens[at].first == :on_regexp_beg }
      .filter_map do |at|
        inside = tokens[(at + 1)..].take_while { |kind, _| kind != :on_regexp_end }
        next if inside.any? { |kind, _| kind == :on_embexpr_beg } # made of others

        ending = tokens[at + 1 + inside.size].last
        options =
          {
            "i" => Regexp::IGNORECASE,
            "m" => Regexp::MULTILINE,
            "x" => Regexp::EXTENDED
          }.sum { |letter, option| ending.include?(letter) ? option : 0 }
        source = inside.map(&:last).join
        [tokens[at].last.start_with?("%") ? source : source.gsub("\\/", "/"), options]
      end
  end

  schemas =
    Dir[File.join(root, "core/lib/**/*.schema.json")].map { |file| JSON.parse(File.read(file)) }
  patterns = declared([YAML.load_file(File.join(root, "api/openapi.yaml")), *schemas]).uniq
  patterns.each do |pattern|
    it("take linear time: #{pattern}") do
      expect(Steps.new(JSONSchemer::EcmaRegexp.ruby_equivalent(pattern)).attack).to be_nil
    end
  end

  readers = Dir[File.join(root, "{core/lib,server}/**/*.rb")]
  readers.sort.each do |file|
    own = written(file).uniq
    next if own.empty?

    it "take linear time in #{file.delete_prefix("#{root}/")}" do
      # A page script is read with a scanner, which tries a pattern only where it stands.
      anchored = file.include?("/page_script/")
      expect(
        own.filter_map do |source, options|
          Steps
            .new(source, options: options, anchored: anchored)
            .attack
            &.then { |text| "#{source} on #{text}" }
        end
      ).to eq([])
    end
  end

  it "are found where they are not" do
    quadratic = [
      '\A(a+)+\z',
      '\A[^x]*[^y]*\z',
      '\A\s*\S*\s*\S*\z',
      '\d+x',
      '\A(a|a)*\z',
      '\A(\w+\s?)*\z'
    ]
    linear = [
      '\A\s*\S',
      '\A[a-z]{2,3}(-[A-Za-z0-9]{1,8})*\z',
      '\A\d{4}-\d{2}\z',
      '"(?:[^"\\\\]|\\\\.)*"'
    ]
    expect(quadratic.map { |source| Steps.new(source).attack }).to all(be_a(String))
    expect(linear.map { |source| Steps.new(source, anchored: true).attack }).to all(be_nil)
  end
end
