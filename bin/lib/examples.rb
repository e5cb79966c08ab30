# frozen_string_literal: true

# Writes the scores that ship to be tried on.
root = File.expand_path("../..", __dir__)
$LOAD_PATH.unshift(root, File.join(root, "core/lib"))
require "stairwell"
require "demo/pieces"

Demo::Pieces.examples.each do |piece|
  File.write(File.join(root, "web/public/examples/#{piece.file}.musicxml"), piece.score)
end
