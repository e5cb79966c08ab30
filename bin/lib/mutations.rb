# frozen_string_literal: true

require "fileutils"
require "ripper"
require "tmpdir"
require "yaml"

# Changes the core by one token, again and again, and counts how many of the changes its specs
# notice. Which changes is decided by a seed: the same number and seed are the same changes of the
# same code.
class Mutations
  FOLDERS = %w[practice planning progress].map { |name| "core/lib/stairwell/#{name}" }.freeze
  # What a token is changed to. Texts, names and comments are left alone.
  SWAPS = {
    "<" => "<=", "<=" => "<", ">" => ">=", ">=" => ">", "==" => "!=", "!=" => "==", "&&" => "||", "||" => "&&", "+" => "-", "-" => "+", "*" => "/", "/" => "*",
    "true" => "false", "false" => "true", "min" => "max", "max" => "min", "min_by" => "max_by", "max_by" => "min_by", "first" => "last", "last" => "first", "any?" => "all?",
    "all?" => "any?", "none?" => "any?", "select" => "reject", "reject" => "select", "ceil" => "floor", "floor" => "ceil", "right" => "left", "left" => "right", "if" => "unless", "unless" => "if"
  }.freeze
  KINDS = %i[on_op on_ident on_kw on_int on_rational].freeze
  EQUIVALENT = File.expand_path("equivalent_mutations.yml", __dir__)

  # One change: `column` counts letters, `text` is the line as it is.
  Change = Struct.new(:file, :line, :column, :from, :to, :text, keyword_init: true) do
    def to_s = "#{file}:#{line} #{from} → #{to}: #{text.strip}"

    # The same wherever the line stands.
    def key = "#{file}: #{text.strip} [#{column - text[/\A\s*/].size}] #{from} → #{to}"

    # @param lines [Array<String>]
    def on(lines) = lines.dup.tap { |all| all[line - 1] = text.dup.tap { |one| one[column, from.size] = to } }.join
  end

  # @param root [String] of the checkout
  # @param count [Integer]
  # @param seed [Integer]
  def initialize(root, count:, seed:)
    @root = root
    @count = count
    @random = Random.new(seed)
    @equivalent = File.exist?(EQUIVALENT) ? YAML.load_file(EQUIVALENT) : {}
  end

  # @param workers [Integer]
  # @return [Boolean] whether enough were noticed
  def call(workers: 2)
    changes = all.shuffle(random: @random).lazy.select { |change| Ripper.sexp(change.on(File.readlines(File.join(@root, change.file)))) }.first(@count)
    queue = Queue.new.tap { |waiting| changes.each { |change| waiting << change } }
    queue.close
    survivors = Array.new(workers) { Thread.new { worked_off(queue) } }.flat_map(&:value)
    told(changes, *survivors.partition { |change| @equivalent.key?(change.key) })
  end

  # @return [Array<Change>] that can be made
  def all
    files = FOLDERS.flat_map { |folder| Dir[File.join(@root, folder, "**/*.rb")] }.sort
    files.flat_map { |path| changes(path.delete_prefix("#{@root}/"), File.read(path)) }
  end

  private

  def changes(file, text)
    lines = text.lines
    Ripper.lex(text).filter_map do |(line, byte), kind, token, _|
      to = KINDS.include?(kind) && changed(kind, token) or next

      source = lines[line - 1]
      Change.new(file: file, line: line, column: source.byteslice(0, byte).size, from: token, to: to, text: source)
    end
  end

  # Other numbers, another operator, the other of a pair.
  def changed(kind, token)
    return (token.to_i + 1).to_s if kind == :on_int
    return "#{token.to_i + 1}r" if kind == :on_rational

    SWAPS[token]
  end

  def worked_off(queue)
    Dir.mktmpdir do |copy|
      system("git -C #{@root} archive HEAD | tar -x -C #{copy}", exception: true)
      survivors = []
      while (change = queue.pop)
        noticed = noticed?(change, copy)
        puts "#{noticed ? "noticed " : "SURVIVED"} #{change}"
        survivors << change unless noticed
      end
      survivors
    end
  end

  # The specs that are nearest first, since most changes fall there.
  def noticed?(change, copy)
    path = File.join(copy, change.file)
    before = File.read(path)
    File.write(path, change.on(before.lines))
    name = File.basename(change.file, ".rb").sub(/s\z/, "")
    near, far = Dir[File.join(copy, "core/spec/*_spec.rb")].sort_by { |spec| File.size(spec) }.partition { |spec| File.basename(spec).include?(name) || File.read(spec).match?(/\b#{name.split("_").map(&:capitalize).join}/) }
    [near, far].reject(&:empty?).any? { |specs| !passed?(copy, specs) }
  ensure
    File.write(path, before)
  end

  # One that goes on for ever was noticed too.
  def passed?(copy, specs)
    system({"BUNDLE_GEMFILE" => File.join(copy, "Gemfile")}, "timeout", "900", "bundle", "exec", "rspec", "-I", "core/spec", "--fail-fast", "--order", "defined", *specs, chdir: copy, out: File::NULL, err: File::NULL)
  end

  def told(changes, equivalent, survivors)
    noticed = changes.size - equivalent.size - survivors.size
    share = 100 * noticed / [changes.size - equivalent.size, 1].max
    puts "", "#{noticed} of #{changes.size - equivalent.size} changes were noticed, #{share} %; #{equivalent.size} more change nothing that can be seen:"
    equivalent.each { |change| puts "  #{change}: #{@equivalent[change.key]}" }
    puts "Nobody noticed:" if survivors.any?
    survivors.each { |change| puts "  #{change.key}" }
    share >= LEAST
  end

  # Per cent. Own choice.
  LEAST = 92
end

if $PROGRAM_NAME == __FILE__
  $VERBOSE = nil # a change may make an odd expression
  count, seed = ARGV.map(&:to_i)
  exit Mutations.new(File.expand_path("../..", __dir__), count: count || 200, seed: seed || 12).call
end
