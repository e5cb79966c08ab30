# frozen_string_literal: true

$LOAD_PATH.unshift File.expand_path("../../core/lib", __dir__)
require "json"
require_relative "../../demo/plans"

File.write(File.expand_path("../../docs/plans.md", __dir__), Demo::Plans.text)
