# frozen_string_literal: true

require "date"
require "securerandom"
require "yaml"

class Fuzz
  # Requests as the contract has them: of each operation an address, a query and a body.
  class Contract
    # An operation: `path` with its {parameters}, their schemas, and the body's.
    Operation = Struct.new(:verb, :path, :parameters, :body, :type)

    # @param random [Random]
    # @param known [Hash{String => Array}] values that exist, by the parameter's or field's
    #   name
    def initialize(file, random, known)
      @document = YAML.load_file(file)
      @random = random
      @known = known
    end

    # @return [Array<Operation>]
    def operations
      @operations ||=
        @document["paths"].flat_map do |path, item|
          item
            .slice("get", "post", "put", "delete")
            .map do |verb, operation|
              parameters =
                [*item["parameters"], *operation["parameters"]].map { |one| resolved(one) }
              type, body = resolved(operation["requestBody"])&.fetch("content")&.first
              Operation.new(
                verb.upcase,
                path,
                parameters,
                body && resolved(body["schema"] || {}),
                type
              )
            end
        end
    end

    # @param schema [Hash]
    # @return [Object] that fits it, as far as it says
    def value(schema, name = nil, depth = 0)
      schema = resolved(schema)
      return pick(@known[name]) if @known[name]&.any? && @random.rand(4).positive?
      if schema["anyOf"] || schema["oneOf"]
        return value(pick(schema["anyOf"] || schema["oneOf"]), name, depth)
      end
      if schema["allOf"]
        return(
          schema["allOf"]
            .map { |one| value(one, name, depth) }
            .reduce { |one, more| one.merge(more) }
        )
      end
      return pick(schema["enum"]) if schema["enum"]

      case pick(Array(schema["type"] || "object"))
      when "object"
        object(schema, depth)
      when "array"
        Array.new(
          @random.rand(schema.fetch("minItems", 0)..[schema.fetch("minItems", 0), 3].max)
        ) { value(schema["items"] || {}, name, depth + 1) }
      when "integer"
        # What a column still holds, and what it holds no more once it is counted up.
        edges = schema.values_at("minimum", "maximum").compact
        return pick(edges) if edges.any? && @random.rand(8).zero?

        @random.rand(
          schema.fetch("minimum", 0)..[
            schema.fetch("maximum", 50),
            50 + schema.fetch("minimum", 0)
          ].min
        )
      when "number"
        @random.rand(1..20) / 2.0
      when "boolean"
        @random.rand(2).zero?
      when "null"
        nil
      else
        text(schema, name)
      end
    end

    # @param one [Hash] with or without a reference
    # @return [Hash]
    def resolved(one)
      one = @document.dig(*one["$ref"].delete_prefix("#/").split("/")) while one.is_a?(Hash) &&
        one["$ref"]
      one
    end

    private

    def pick(from) = from.to_a.sample(random: @random)

    def object(schema, depth)
      return {} if depth > 5

      wanted =
        (schema["properties"] || {}).select do |name, _|
          (schema["required"] || []).include?(name) || @random.rand(3).zero?
        end
      wanted.to_h { |name, one| [name, value(one, name, depth + 1)] }
    end

    def text(schema, name)
      case schema["pattern"].to_s
      when /\\d\{4\}-\\d\{2\}-\\d\{2\}T/
        "#{day}T12:00:00Z"
      when /\\d\{4\}-\\d\{2\}-\\d\{2\}/
        day
      when /\[0-9a-f\]\{8\}/
        @random.bytes(16).unpack1("H*").sub(/(.{8})(.{4})(.{4})(.{4})/, '\1-\2-\3-\4-')
      when /\[01\]\[0-9\]/
        "16:30"
      when /\[0-6\]/
        pick(0..6).to_s
      else
        pick(["A", "A.right", "The Lock Gate", "en", "5", "studio", "hand_by_hand", "x"])[
          0,
          schema.fetch("maxLength", 99)
        ]
      end
    end

    def day = (Date.new(2027, 3, 3) + @random.rand(-20..40)).to_s
  end
end
