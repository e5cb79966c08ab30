# frozen_string_literal: true

require "digest"
require "fileutils"
require "json"
require "ripper"
require "tmpdir"
require "yaml"

# Changes the core by one token, again and again, and counts how many of the changes its specs
# notice. Which changes is decided by a seed: the same number and seed are the same changes as long
# as their lines stand, whatever is changed elsewhere.
class Mutations
  FOLDERS = %w[practice planning progress].map { |name| "core/lib/stairwell/#{name}" }.freeze
  # What a token is changed to. Texts, names and comments are left alone.
  SWAPS = {
    "<" => "<=",
    "<=" => "<",
    ">" => ">=",
    ">=" => ">",
    "==" => "!=",
    "!=" => "==",
    "&&" => "||",
    "||" => "&&",
    "+" => "-",
    "-" => "+",
    "*" => "/",
    "/" => "*",
    "true" => "false",
    "false" => "true",
    "min" => "max",
    "max" => "min",
    "min_by" => "max_by",
    "max_by" => "min_by",
    "first" => "last",
    "last" => "first",
    "any?" => "all?",
    "all?" => "any?",
    "none?" => "any?",
    "select" => "reject",
    "reject" => "select",
    "ceil" => "floor",
    "floor" => "ceil",
    "right" => "left",
    "left" => "right",
    "if" => "unless",
    "unless" => "if"
  }.freeze
  KINDS = %i[on_op on_ident on_kw on_int on_rational].freeze
  EQUIVALENT = File.expand_path("equivalent_mutations.yml", __dir__)
  # Per cent that are to be noticed. Own choice.
  LEAST = 92

  # One change: `column` counts letters, `text` is the line as it is.
  Change =
    Struct.new(:file, :line, :column, :from, :to, :text, keyword_init: true) do
      def to_s = "#{file}:#{line} #{from} → #{to}: #{text.strip}"

      # The same wherever the line stands.
      def key = "#{file}: #{text.strip} [#{column - text[/\A\s*/].size}] #{from} → #{to}"

      # @param lines [Array<String>]
      def on(lines) =
        lines
          .dup
          .tap { |all| all[line - 1] = text.dup.tap { |one| one[column, from.size] = to } }
          .join
    end

  # A checkout that is changed and tried.
  class Copy
    # @param root [String] of the checkout it is taken from
    # @param to [String] a directory
    def initialize(root, to)
      @to = to
      system("git -C #{root} archive HEAD | tar -x -C #{to}", exception: true)
      # Some specs ask packages of npm's.
      FileUtils.ln_s(File.join(root, "web/node_modules"), File.join(to, "web"))
    end

    # @return [Array<String>] specs
    def specs = Dir.children(File.join(@to, "core/spec")).grep(/_spec\.rb\z/).sort

    # @param names [Array<String>] of specs
    # @param seconds [Integer] after which it has failed
    # @param more [Array<String>] for RSpec
    # @param out [String] a file for what RSpec says
    # @return [Boolean]
    def passes?(names, seconds:, more: [], out: File::NULL, **environment)
      command = [
        "timeout",
        seconds.to_s,
        "bundle",
        "exec",
        "rspec",
        "-I",
        "core/spec",
        "--fail-fast",
        "--order",
        "defined",
        *more,
        *names.map { |name| "core/spec/#{name}" }
      ]
      system(
        { "BUNDLE_GEMFILE" => File.join(@to, "Gemfile") }.merge(environment.transform_keys(&:to_s)),
        *command,
        chdir: @to,
        out: out,
        err: %i[child out]
      )
    end

    # @return [Array(Float, Hash)] the seconds a spec takes, and what it goes through
    def trace(name)
      reached, said = %w[reached.json said.txt].map { |file| File.join(@to, file) }
      start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      passes?(
        [name],
        seconds: LONGEST,
        more: ["-r", File.join(__dir__, "reached.rb")],
        out: said,
        REACHED: reached
      ) || raise("#{name} fails as it is:\n#{File.read(said)}")
      [Process.clock_gettime(Process::CLOCK_MONOTONIC) - start, JSON.parse(File.read(reached))]
    end

    # @param change [Change]
    # @yield while it is changed
    def with(change)
      path = File.join(@to, change.file)
      before = File.read(path)
      File.write(path, change.on(before.lines))
      yield
    ensure
      File.write(path, before)
    end

    LONGEST = 3600
  end

  # Which specs go through a line, the quickest first.
  class Reach
    # Seconds one run of several specs may take by what they took before, and how much longer than
    # before until it has failed: what goes on for ever was noticed too.
    BATCH, SLOWER, START = 20, 4, 60

    # @param traced [Hash{String => Array(Float, Hash)}] see {Copy#trace}
    def initialize(traced)
      @seconds = traced.transform_values(&:first)
      @seen = traced.transform_values(&:last)
      @quickest = @seconds.keys.sort_by { |name| @seconds[name] }
    end

    # @param change [Change]
    # @return [Array<Array<String>>] specs to be run one after another
    def batches(change)
      found = @quickest.select { |name| through?(change, @seen[name]) }
      found = @quickest unless within_method?(change)
      found.each_with_object([]) do |name, all|
        (all.any? && seconds(all.last) + @seconds[name] <= BATCH) ? all.last << name : all << [name]
      end
    end

    # @param names [Array<String>]
    # @return [Float] seconds they take
    def seconds(names) = names.sum { |name| @seconds[name] }

    # @return [Integer] seconds after which they have failed
    def limit(names) = (seconds(names) * SLOWER + START).ceil

    private

    def through?(change, seen)
      of = seen[change.file] or return false
      return false if of["skipped"].include?(change.line)

      of["methods"].any? { |from, to, times| times.positive? && change.line.between?(from, to) }
    end

    def within_method?(change) =
      @seen.each_value.any? do |seen|
        seen[change.file]&.fetch("methods")&.any? { |from, to, _| change.line.between?(from, to) }
      end
  end

  # @param root [String] of the checkout
  # @param count [Integer]
  # @param seed [Integer]
  def initialize(root, count:, seed:)
    @root = root
    @count = count
    @seed = seed
    @equivalent = File.exist?(EQUIVALENT) ? YAML.load_file(EQUIVALENT) : {}
  end

  # Quick specs first, of all changes; what they do not notice is tried with those that take long.
  # @param workers [Integer]
  # @return [Boolean] whether enough were noticed
  def call(workers: 2)
    Dir.mktmpdir do |place|
      copies =
        Array.new(workers) do |at|
          Copy.new(@root, File.join(place, at.to_s).tap { |to| Dir.mkdir(to) })
        end
      # Of what is committed, whatever is being written meanwhile.
      @root = File.join(place, "0")
      changes =
        all
          .sort_by { |change| Digest::SHA256.digest("#{@seed} #{change.key}") }
          .lazy
          .select { |change| Ripper.sexp(change.on(File.readlines(File.join(@root, change.file)))) }
          .first(@count)
      equivalent, tried = changes.partition { |change| @equivalent.key?(change.key) }
      reach =
        Reach.new(each(copies, copies.first.specs) { |copy, name| [name, copy.trace(name)] }.to_h)
      told(changes, equivalent, survivors(copies, reach, tried))
    end
  end

  # @return [Array<Change>] that can be made
  def all
    files = FOLDERS.flat_map { |folder| Dir[File.join(@root, folder, "**/*.rb")] }.sort
    files.flat_map { |path| changes(path.delete_prefix("#{@root}/"), File.read(path)) }
  end

  private

  def changes(file, text)
    lines = text.lines
    Ripper
      .lex(text)
      .filter_map do |(line, byte), kind, token, _|
        to = KINDS.include?(kind) && changed(kind, token) or next

        source = lines[line - 1]
        Change.new(
          file: file,
          line: line,
          column: source.byteslice(0, byte).size,
          from: token,
          to: to,
          text: source
        )
      end
  end

  # Other numbers, another operator, the other of a pair.
  def changed(kind, token)
    return (token.to_i + 1).to_s if kind == :on_int
    return "#{token.to_i + 1}r" if kind == :on_rational

    SWAPS[token]
  end

  def survivors(copies, reach, changes)
    waiting = changes.to_h { |change| [change, reach.batches(change)] }
    survived = []
    loop do
      gone, waiting = waiting.partition { |_, batches| batches.empty? }.map(&:to_h)
      survived += gone.keys
      puts "#{changes.size - waiting.size - survived.size} of #{changes.size} noticed, #{survived.size} not, #{waiting.size} are tried on"
      return survived if waiting.empty?

      noticed =
        each(copies, waiting.keys) do |copy, change|
          [change, noticed?(copy, reach, change, waiting[change].first)]
        end.to_h
      waiting =
        waiting
          .reject { |change, _| noticed[change] }
          .transform_values { |batches| batches.drop(1) }
    end
  end

  def noticed?(copy, reach, change, names)
    copy
      .with(change) { !copy.passes?(names, seconds: reach.limit(names)) }
      .tap { |noticed| puts "#{noticed ? "noticed " : "        "} #{change}" }
  end

  # Worked off by all copies at once.
  # @return [Array] what the block gave, in no order
  def each(copies, work)
    queue = Queue.new.tap { |all| work.each { |one| all << one } }
    queue.close
    copies
      .map do |copy|
        Thread.new do
          [].tap do |done|
            while (one = queue.pop)
              done << yield(copy, one)
            end
          end
        end
      end
      .flat_map(&:value)
  end

  def told(changes, equivalent, survivors)
    tried = changes.size - equivalent.size
    share = 100 * (tried - survivors.size) / [tried, 1].max
    puts "",
         "#{tried - survivors.size} of #{tried} changes were noticed, #{share} %; #{equivalent.size} more change nothing that can be seen:"
    equivalent.each { |change| puts "  #{change}: #{@equivalent[change.key]}" }
    puts "Nobody noticed:" if survivors.any?
    survivors.each { |change| puts "  #{change.key}" }
    share >= LEAST
  end
end

if $PROGRAM_NAME == __FILE__
  $VERBOSE = nil # a change may make an odd expression
  $stdout.sync = true
  count, seed = ARGV.map(&:to_i)
  exit Mutations.new(File.expand_path("../..", __dir__), count: count || 200, seed: seed || 12).call
end
