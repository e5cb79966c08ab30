# frozen_string_literal: true

# What nobody means: values, texts and bytes that break programs. Everything follows from
# one source of chance, so that a run can be had again.
class Fuzz
  class Junk
    VALUES = [
      nil,
      true,
      false,
      -1,
      0,
      1.5,
      0.1 + 0.2,
      60.0,
      2**15 - 1,
      2**31 - 2,
      2**31 - 1,
      2**31,
      2**53 - 1,
      2**53,
      2**63,
      10**30,
      "",
      " ",
      "\u0000",
      "a\u0000b",
      "x" * 300,
      "x" * 5_000,
      "é\uFFFF",
      "🎹" * 50,
      "\n",
      "2027-03-03\n",
      "x\n2027-03-03",
      "0000-01-01",
      "9999-12-31",
      "2027-02-30",
      "-0001-01-01",
      "24:00",
      "../../etc/passwd",
      "%ff%00",
      "' OR 1=1 --",
      "<script>alert(1)</script>",
      "D.S. al Coda",
      "section A: 1-",
      [],
      {},
      [[]],
      [nil],
      { "a" => { "b" => 1 } },
      ["x"] * 300,
      "9" * 400
    ].freeze
    # Numbers and texts that JSON can say and Ruby's generator cannot.
    RAW = %w[
      1e400
      -1e400
      1e-400
      0.0000000000000000000001
      99999999999999999999999999
      NaN
      Infinity
      "\ud800"
      [[[[[[[[[[[[[[[[]]]]]]]]]]]]]]]]
    ].freeze
    HEADERS = {
      "HTTP_ACCEPT_LANGUAGE" => ["xx", "en;q=abc", "en-US, *;q=0", "a" * 2_000, "\xff"],
      "HTTP_COOKIE" => [
        "stairwell=%ff",
        "stairwell=" + "A" * 4_000,
        "stairwell_device=\x01",
        ";;;=;"
      ],
      "HTTP_ACCEPT" => ["*/*;q=x", ""],
      "HTTP_X_CSRF_TOKEN" => ["forged", "\xff", ""],
      "CONTENT_TYPE" => [
        "text/plain",
        "application/json; charset=utf-7",
        "multipart/form-data",
        "multipart/form-data; boundary=",
        "application/x-www-form-urlencoded",
        ""
      ],
      "HTTP_ACCEPT_ENCODING" => ["gzip;q=x", "br, *"],
      "HTTP_RANGE" => ["bytes=9-1"],
      "HTTP_X_FORWARDED_FOR" => ["1.2.3.4, ::"],
      "HTTP_IF_NONE_MATCH" => ["\"x"],
      "HTTP_X_HTTP_METHOD_OVERRIDE" => ["DELETE"]
    }.freeze

    # @param random [Random]
    def initialize(random)
      @random = random
    end

    # @return [Boolean] with a chance of one in so many
    def now?(one_in) = @random.rand(one_in).zero?

    def pick(from) = from.to_a.sample(random: @random)

    def value = pick(VALUES)

    # @return [Object] with some of its parts changed, left out, doubled or put elsewhere
    def spoilt(data, times = @random.rand(1..3))
      times.times.reduce(data) { |one, _| spoil(one) }
    end

    # @param text [String]
    # @return [String] its bytes changed
    def bytes(text)
      bytes = text.b.dup
      @random
        .rand(1..5)
        .times do
          break if bytes.empty?

          at = @random.rand(bytes.bytesize)
          case @random.rand(4)
          when 0
            bytes.setbyte(at, @random.rand(256))
          when 1
            bytes.slice!(at, @random.rand(40))
          when 2
            bytes.insert(at, bytes.byteslice(@random.rand(bytes.bytesize), 60))
          else
            bytes.insert(at, pick(RAW))
          end
        end
      bytes
    end

    # @return [String] lines of a script changed, doubled, shuffled, and numbers put wrong
    def script(text)
      lines = text.lines(chomp: true)
      @random
        .rand(1..6)
        .times do
          at = @random.rand(lines.size + 1)
          case @random.rand(5)
          when 0
            lines.insert(
              at,
              pick(lines).to_s.gsub(/\d+/) { pick([0, 1, 7, 20, 99, 5_000, "9" * 30]).to_s }
            )
          when 1
            lines.delete_at(at)
          when 2
            lines.shuffle!(random: @random)
          when 3
            lines.insert(at, pick(VALUES.grep(String)))
          else
            lines[at] = bytes(lines[at].to_s).force_encoding(Encoding::UTF_8).scrub
          end
        end
      lines.join("\n")
    end

    private

    def spoil(data)
      return value if now?(4)

      case data
      when Hash
        data.empty? ? { "more" => value } : spoil_hash(data)
      when Array
        if data.empty?
          [value]
        else
          data.dup.tap do |all|
            @random
              .rand(all.size)
              .then { |at| now?(2) ? all[at] = spoil(all[at]) : all.insert(at, all[at]) }
          end
        end
      else
        value
      end
    end

    def spoil_hash(data)
      key = pick(data.keys)
      case @random.rand(4)
      when 0
        data.except(key)
      when 1
        data.merge("#{key}_" => data[key])
      else
        data.merge(key => spoil(data[key]))
      end
    end
  end
end
