# frozen_string_literal: true

Gem::Specification.new do |spec|
  spec.name = "stairwell-core"
  spec.version = "0.1.0"
  spec.summary =
    "The rules of Stairwell: printed page, playing order, sections, practice steps, week, progress"
  spec.authors = ["The Stairwell founders"]
  spec.license = "MIT"
  spec.required_ruby_version = ">= 3.1"
  spec.files = Dir["lib/**/*.{rb,json}", "locales/*"]
  spec.require_paths = ["lib"]
  spec.add_dependency "i18n", "~> 1.14"
  spec.add_dependency "icalendar", "~> 2.10"
  spec.add_dependency "json_schemer", "~> 2.4"
  spec.add_dependency "nokogiri", "~> 1.16"
  spec.add_dependency "rubyzip", "~> 2.4"
end
