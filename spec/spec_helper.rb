# frozen_string_literal: true

# Request and browser specs: they need the database that bin/test prepares.

ENV["RACK_ENV"] = "test"
root = File.expand_path("..", __dir__)
$LOAD_PATH.unshift(root, File.join(root, "core/lib"))
require "json"
require "rack/test"
require "securerandom"
require "openapi_first"
require "server/app"
require "demo/pieces"
Dir[File.join(__dir__, "support/*.rb")].sort.each { |file| require file }

RSpec.configure do |config|
  config.disable_monkey_patching!
  config.order = :random
  Kernel.srand config.seed
  config.define_derived_metadata(file_path: %r{/requests/}) do |metadata|
    metadata[:type] = :request
  end
  config.define_derived_metadata(file_path: %r{/browser/}) { |metadata| metadata[:type] = :browser }
  config.include Requests, type: :request
  config.include Visits, type: :browser
  config.before { TestApp.empty }
  config.before(type: :browser) { complaints } # those of the example before
  config.after(type: :browser) { |example| Visits.tell(example) if example.exception }
end
