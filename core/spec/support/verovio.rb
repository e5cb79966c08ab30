# frozen_string_literal: true

require "json"
require "open3"

# Asks the engraving library verovio (npm, general-purpose) for the playing
# order of scores: the measures of its timemap. It knows nothing of our code.
module Verovio
  WEB = File.expand_path("../../../web", __dir__)
  SCRIPT = File.read(File.expand_path("verovio_order.mjs", __dir__))

  # @param scores [Array<String>] MusicXML
  # @return [Array<Array<Integer>, nil>] printed measures as played; nil where the
  #   library itself fails
  def self.orders(scores)
    out, err, status =
      Open3.capture3(
        "node",
        "--input-type=module",
        "-e",
        SCRIPT,
        stdin_data: JSON.generate(scores),
        chdir: WEB
      )
    raise "verovio: #{err}" unless status.success?

    JSON.parse(out)
  end
end
