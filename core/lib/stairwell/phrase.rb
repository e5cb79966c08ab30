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
    # The keys of each kind as it is packed, by the one that tells it.
    KINDS = {
      "say" => %w[say with],
      "day" => %w[day as],
      "list" => %w[list by],
      "number" => %w[number],
      "ordinal" => %w[ordinal],
      "capital" => %w[capital]
    }.freeze
    private_constant :KINDS

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
      when Textual
        data.pack
      when Hash
        data.transform_values { |one| pack(one) }
      when Array
        data.map { |one| pack(one) }
      when Rational
        number(data).pack
      when Symbol
        data.to_s
      else
        data
      end
    end

    # @param data [Object] as {pack} gives
    # @return [Object]
    def unpack(data)
      return data unless data.is_a?(Hash) && data.size.between?(1, 2)

      kind = KINDS.find { |key, keys| data.key?(key) && (data.keys - keys).empty? }&.first
      case kind
      when "say"
        self[
          data["say"],
          **data.fetch("with", {}).to_h { |name, value| [name.to_sym, unpack(value)] }
        ]
      when "day"
        day(Date.iso8601(data["day"]), data["as"].to_sym)
      when "list"
        list(data["list"].map { |one| unpack(one) }, by: data["by"].to_sym)
      when "number"
        number(Rational(data["number"]))
      when "ordinal"
        ordinal(data["ordinal"])
      when "capital"
        capital(unpack(data["capital"]))
      else
        data
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
