# frozen_string_literal: true

source "https://rubygems.org"

gem "stairwell-core", path: "core"

# web
gem "puma", "~> 6.4"
gem "rack-attack", "~> 6.7"
gem "rack-session", "~> 2.0"
gem "rackup", "~> 2.1"
gem "sinatra", "~> 4.1"

# data
gem "message_bus", "~> 4.4"
gem "pg", "~> 1.5"
gem "que", "~> 2.4"
gem "sequel", "~> 5.80"
gem "sequel_pg", "~> 1.17", require: false
gem "tzinfo", "~> 2.0"
gem "tzinfo-data", "~> 1.2024"

# sign-in
gem "bcrypt", "~> 3.1"
gem "roda", "~> 3.80"
gem "rodauth", "~> 2.36"

# files and mail
gem "mail", "~> 2.8"
gem "prawn", "~> 2.4.0" # 2.5 wants an older bigdecimal than sequel has
gem "prawn-svg", "~> 0.34"

# the HTTP contract; json 3 breaks openapi_first 1.4 (docs/decisions/0002)
gem "json", "~> 2.9"
gem "openapi_first", "~> 1.4"

group :test do
  gem "axe-core-api", "~> 4.10"
  gem "axe-core-rspec", "~> 4.10"
  gem "capybara", "~> 3.40"
  gem "pdf-reader", "~> 2.12"
  gem "head_music", "~> 8.0"
  gem "rack-test", "~> 2.1"
  gem "rspec", "~> 3.13"
  gem "selenium-webdriver", "~> 4.32.0"
  gem "simplecov", "~> 0.22", require: false
end

group :tidy do
  gem "rubocop", "~> 1.80", require: false
  gem "standard", "~> 1.40", require: false # the rules that .rubocop.yml begins with
  gem "syntax_tree", "~> 6.0", require: false
end
