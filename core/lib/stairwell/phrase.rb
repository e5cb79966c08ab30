# frozen_string_literal: true

require_relative "locales"

module Stairwell
  # Something said to a person, before it is said: the key of a text in the locale
  # files, and the values in it. It becomes a string in the language that is spoken
  # when it is shown ({Locales.with}), and can be used wherever a string can. What
  # people typed stays a string beside it.
  #
  #   Phrase["planning.reasons.good_day_of", day: 2, good_days: 3].to_s  # => "good day 2 of 3"
  #
  # {Phrase.pack} makes plain data of it to be kept, {Phrase.unpack} phrases again: a
  # plan that was kept is said in whatever language is asked for later.
  module Phrase
    # How every kind of phrase behaves like the string it becomes.
    module Textual
      def to_str = to_s

      def to_json(*state) = to_s.to_json(*state)

      # @return [Boolean] whether the same is said; with a string, as it is said now
      def ==(other) = (other.is_a?(String) || other.is_a?(Former)) ? to_s == other.to_s : super

      def inspect = to_s.inspect

      %i[[] include? match? match =~ empty? start_with? end_with? size lines].each do |name|
        define_method(name) { |*given| to_s.public_send(name, *given) }
      end
    end

    # A text of the locale files; `values` is a Hash{Symbol => Object}, in which :count
    # chooses the plural form.
    Text = Stairwell.value(:key, values: {}) do
      include Textual

      undef_method :to_a

      def to_s = I18n.t(key, raise: true, **values)

      # @return [Hash{String => Object}] to be kept
      def pack = {"say" => key, **(values.empty? ? {} : {"with" => values.to_h { |name, value| [name.to_s, Phrase.pack(value)] }})}
    end

    # A day, as a format of the locale files writes it: :weekday, :day_and_month, :full.
    Day = Stairwell.value(:date, :format) do
      include Textual

      undef_method :to_a

      def to_s = I18n.l(date, format: format)

      def pack = {"day" => date.to_s, "as" => format.to_s}
    end

    # A number as people write it, with halves: 2½; otherwise to one decimal.
    Number = Stairwell.value(:value) do
      include Textual

      undef_method :to_a

      def to_s
        whole, rest = value.to_r.divmod(1)
        return whole.to_s if rest.zero?
        return "#{whole unless whole.zero?}½" if rest == 1/2r

        value.to_f.round(1).to_s.sub(".", I18n.t("number.decimal", raise: true))
      end

      def pack = {"number" => value.to_r.to_s}
    end

    # A place in an order: 1st, 21st. Languages say which numbers end otherwise than
    # the others.
    Ordinal = Stairwell.value(:number) do
      include Textual

      undef_method :to_a

      def to_s
        endings = I18n.t("ordinals", raise: true)
        two, one = [number % 100, number % 10].map { |digits| digits.to_s.to_sym }
        format(endings.dig(:last_two_digits, two) || endings.dig(:last_digit, one) || endings.fetch(:other), number: number)
      end

      def pack = {"ordinal" => number}
    end

    # What begins a sentence.
    Capital = Stairwell.value(:said) do
      include Textual

      undef_method :to_a

      def to_s = said.to_s.then { |text| "#{text[0]&.upcase}#{text[1..]}" }

      def pack = {"capital" => Phrase.pack(said)}
    end

    # Several, one after another; `by` names what stands between them: :and or :or for
    # lists with words, otherwise a key of `between` in the locale files.
    List = Stairwell.value(:items, by: :and) do
      include Textual

      undef_method :to_a

      def to_s
        return items.first.to_s if items.size < 2
        return items.join(I18n.t("between.#{by}", raise: true)) unless %i[and or].include?(by)

        I18n.t("lists.#{by}", raise: true, before: items[0...-1].join(I18n.t("between.comma", raise: true)), last: items.last.to_s)
      end

      def pack = {"list" => items.map { |one| Phrase.pack(one) }, "by" => by.to_s}
    end

    # A text that was kept as English before phrases were: the words for bars and note
    # values are those of the language that is spoken.
    Former = Stairwell.value(:text) do
      include Textual

      undef_method :to_a

      def to_s
        words = I18n.t("formerly", raise: true)
        return text if words.empty?

        text.gsub(/\b(?:#{words.keys.join("|")})(?=s?\b)/) { |found| words.fetch(found.to_sym) }
      end

      def ==(other) = to_s == other.to_s

      def pack = text
    end

    module_function

    # @param key [String] of a text
    # @return [Text]
    def [](key, **values) = Text.new(key: key, values: values)

    # @param date [Date]
    # @param format [Symbol]
    # @return [Day]
    def day(date, format = :weekday) = Day.new(date: date, format: format)

    # @param weekday [Integer] 0 for Sunday
    # @return [Day]
    def weekday(weekday, format = :weekday) = day(Date.new(2000, 1, 2) + weekday, format)

    # @param value [Numeric]
    # @return [Number]
    def number(value) = Number.new(value: value)

    # @param number [Integer]
    # @return [Ordinal]
    def ordinal(number) = Ordinal.new(number: number)

    # @param said [Phrase, String]
    # @return [Capital]
    def capital(said) = Capital.new(said: said)

    # @param items [Array]
    # @return [List]
    def list(items, by: :and) = List.new(items: items, by: by)

    # @param items [Array] of which two are named and the others counted
    # @return [List, Text]
    def some(items)
      return list(items, by: :and_each) if items.size <= 2

      self["lists.and_more", first: items.first, second: items[1], count: items.size - 2]
    end

    # @param data [Object] plain data with phrases in it
    # @return [Object] without
    def pack(data)
      case data
      when Textual then data.pack
      when Hash then data.transform_values { |one| pack(one) }
      when Array then data.map { |one| pack(one) }
      when Rational then number(data).pack
      when Symbol then data.to_s
      else data
      end
    end

    # @param data [Object] as {pack} gives
    # @return [Object]
    def unpack(data)
      return data unless data.is_a?(Hash)

      case data.keys.sort
      when %w[say], %w[say with] then self[data["say"], **data.fetch("with", {}).to_h { |name, value| [name.to_sym, unpack(value)] }]
      when %w[as day] then day(Date.iso8601(data["day"]), data["as"].to_sym)
      when %w[by list] then list(data["list"].map { |one| unpack(one) }, by: data["by"].to_sym)
      when %w[number] then number(Rational(data["number"]))
      when %w[ordinal] then ordinal(data["ordinal"])
      when %w[capital] then capital(unpack(data["capital"]))
      else data
      end
    end

    # @param data [Object] plain data with packed phrases anywhere in it
    # @return [Object] with phrases there
    def unpack_all(data)
      return data.map { |one| unpack_all(one) } if data.is_a?(Array)
      return data unless data.is_a?(Hash)

      found = unpack(data)
      found.equal?(data) ? data.transform_values { |one| unpack_all(one) } : found
    end

    # @param data [Object] a kept text: packed, or an English one from before
    # @return [Object]
    def load(data) = data.is_a?(String) ? Former.new(text: data) : unpack(data)
  end
end
