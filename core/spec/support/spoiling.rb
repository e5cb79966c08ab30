# frozen_string_literal: true

# Spoils bytes: changes, takes out, doubles.
module Spoiling
  module_function

  # @param source [String] binary
  # @return [String]
  def bytes(source, random, most: 6)
    bytes = source.dup
    random
      .rand(1..most)
      .times do
        case random.rand(3)
        when 0
          bytes.setbyte(random.rand(bytes.bytesize), random.rand(256))
        when 1
          bytes.slice!(random.rand(bytes.bytesize), random.rand(30))
        else
          bytes.insert(
            random.rand(bytes.bytesize),
            bytes.byteslice(random.rand(bytes.bytesize), 20)
          )
        end
        break if bytes.empty?
      end
    bytes
  end
end
