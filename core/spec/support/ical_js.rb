# frozen_string_literal: true

require "json"
require "open3"

# Reads calendar files with ical.js.
module IcalJs
  PROGRAM = File.join(__dir__, "ical_read.mjs")
  WEB = File.expand_path("../../../web", __dir__)

  # @param text [String]
  # @return [Array<Hash>] events
  def self.read(text)
    out, err, status = Open3.capture3("node", PROGRAM, stdin_data: text, chdir: WEB)
    status.success? ? JSON.parse(out) : raise("ical.js could not read it: #{err}")
  end
end
