# frozen_string_literal: true

# The core's specs run without web and without database.

root = File.expand_path("../..", __dir__)
if ENV["COVERAGE"]
  require "simplecov"
  SimpleCov.start { add_filter "/spec/" }
end
$LOAD_PATH.unshift(File.join(root, "core/lib"), root)
# A library of music theory to compare with; it sets languages of its own, so it comes first.
require "active_support"
require "head_music"
require "stairwell"
require "json"
require "open3"
Dir[File.join(__dir__, "support/*.rb")].sort.each { |file| require file }

RSpec.configure do |config|
  config.disable_monkey_patching!
  config.order = :random
  Kernel.srand config.seed
  config.filter_run_excluding(slow: true) unless Slow.wanted?
  config.include Making
end
