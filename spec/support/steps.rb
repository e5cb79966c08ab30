# frozen_string_literal: true

require "regexp_parser"

# Counts the steps a backtracking matcher takes, as Ruby's is before 3.2: a pattern is
# linear where twice the text takes about twice the steps, whatever the text. Nothing is
# timed.
class Steps
  Gone = Class.new(StandardError)
  MOST = 30_000
  # What stands for the rest of all characters.
  OTHERS = ["a", "Z", "7", " ", "\n", "\"", "\\", ",", "-", "/", "\u0001"].freeze

  # @param source [String] of a pattern
  # @param anchored [Boolean] whether it is only tried where it stands
  def initialize(source, options: 0, anchored: false)
    @options = options
    @root = Regexp::Parser.parse(source, options: options)
    @anchored = anchored || source.start_with?("\\A")
    @classes = {}
  end

  # @return [String, nil] a text that takes more than linear work, as a reader may see it
  def attack
    texts
      .find { |before, pump, after| growth(before, pump, after) > 2.7 }
      &.then { |before, pump, after| "#{before.inspect} + #{pump.inspect} × n + #{after.inspect}" }
  end

  private

  def growth(before, pump, after)
    few, many = [20, 40].map { |times| count(before + pump * times + after) }
    (few && many) ? (many + 30).fdiv(few + 30) : Float::INFINITY
  end

  # @return [Integer, nil] steps until it is found, or found not to be there; nil for more
  #   than can be counted
  def count(text)
    @steps = 0
    chars = text.chars
    starts = @anchored ? [0] : (0..chars.size)
    starts.any? { |start| all(@root.expressions, 0, chars, start) { true } }
    @steps
  rescue Gone
    nil
  end

  # What can go on and on, after what leads to it, with an end that does not fit.
  def texts
    pumps = (samples + literals + OTHERS).uniq
    befores =
      (0..@root.expressions.size)
        .map { |size| @root.expressions.first(size).map { |one| sample(one) }.join }
        .uniq
        .first(12)
    ends = literals.first(3)
    befores.product(
      pumps,
      ["", "\u0001", "a", " a a", *ends, *ends.permutation(2).map(&:join)].uniq
    )
  end

  def literals =
    each(@root).grep(Regexp::Expression::Literal).map(&:text).flat_map(&:chars).uniq.first(12)

  def samples = each(@root).select(&:quantified?).map { |one| sample_of(one) }.reject(&:empty?)

  def each(node) =
    [node, *(node.respond_to?(:expressions) ? node.expressions.flat_map { |one| each(one) } : [])]

  def sample(node)
    times = node.quantified? ? node.quantifier.min : 1
    sample_of(node) * times
  end

  def sample_of(node)
    case node
    when Regexp::Expression::Assertion::Base, Regexp::Expression::Anchor::Base
      ""
    when Regexp::Expression::Alternation
      node.alternatives.first.expressions.map { |one| sample(one) }.join
    when Regexp::Expression::Literal
      node.text
    when Regexp::Expression::CharacterSet, Regexp::Expression::CharacterType::Base,
         Regexp::Expression::EscapeSequence::Base
      OTHERS.find { |char| one?(node, char) } ||
        (32..382).map { |code| [code].pack("U") }.find { |char| one?(node, char) }.to_s
    else
      node.respond_to?(:expressions) ? node.expressions.map { |one| sample(one) }.join : ""
    end
  end

  def all(nodes, from, chars, at, &go_on)
    return go_on.call(at) if from == nodes.size

    node = nodes[from]
    repeated(node, 0, chars, at) { |reached| all(nodes, from + 1, chars, reached, &go_on) }
  end

  def repeated(node, times, chars, at, &go_on)
    return once(node, chars, at, &go_on) unless node.quantified?

    quantifier = node.quantifier
    more =
      lambda do
        (quantifier.max == -1 || times < quantifier.max) &&
          once(node, chars, at) do |reached|
            (reached > at || times < quantifier.min) &&
              repeated(node, times + 1, chars, reached, &go_on)
          end
      end
    enough = -> { times >= quantifier.min && go_on.call(at) }
    quantifier.reluctant? ? enough.call || more.call : more.call || enough.call
  end

  def once(node, chars, at, &go_on)
    raise Gone if (@steps += 1) > MOST

    case node
    when Regexp::Expression::Alternation
      node.alternatives.any? { |one| all(one.expressions, 0, chars, at, &go_on) }
    when Regexp::Expression::Assertion::Base
      found = all(node.expressions, 0, chars, at) { true }
      (node.is_a?(Regexp::Expression::Assertion::NegativeLookahead) ? !found : found) &&
        go_on.call(at)
    when Regexp::Expression::Anchor::Base
      anchor?(node, chars, at) && go_on.call(at)
    when Regexp::Expression::Literal
      literal(node, chars, at, &go_on)
    when Regexp::Expression::CharacterSet, Regexp::Expression::CharacterType::Base,
         Regexp::Expression::EscapeSequence::Base, Regexp::Expression::UnicodeProperty::Base
      at < chars.size && one?(node, chars[at]) && go_on.call(at + 1)
    else
      all(node.expressions, 0, chars, at, &go_on)
    end
  end

  def literal(node, chars, at, &go_on)
    text = node.text
    said = chars[at, text.size].join
    ((@options & Regexp::IGNORECASE).zero? ? said == text : said.casecmp?(text)) &&
      go_on.call(at + text.size)
  end

  def one?(node, char)
    known = @classes[node.object_id] ||= {}
    return known[char] if known.key?(char)

    known[char] = Regexp.new("\\A#{node.to_s(:base)}\\z", @options).match?(char)
  end

  def anchor?(node, chars, at)
    word = ->(char) { char.to_s.match?(/\w/) }
    case node
    when Regexp::Expression::Anchor::BeginningOfString
      at.zero?
    when Regexp::Expression::Anchor::EndOfString
      at == chars.size
    when Regexp::Expression::Anchor::BeginningOfLine
      at.zero? || chars[at - 1] == "\n"
    when Regexp::Expression::Anchor::EndOfLine
      at == chars.size || chars[at] == "\n"
    when Regexp::Expression::Anchor::WordBoundary
      word[at.positive? ? chars[at - 1] : nil] != word[chars[at]]
    else
      raise "no such anchor is known: #{node}"
    end
  end
end
