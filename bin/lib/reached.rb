# frozen_string_literal: true

require "coverage"
require "json"

# Loaded before a spec: writes how often it called the methods of the core, and which lines it
# skipped, as JSON, to the file REACHED names.
Coverage.start(lines: true, methods: true)
RSpec.configure do |config|
  config.after(:suite) do
    # Methods are told apart by the hashes of their owners, and there are packages whose `hash` is
    # another thing.
    ObjectSpace
      .each_object(Module)
      .select { |one| one.method(:hash).arity.positive? }
      .each { |one| one.define_singleton_method(:hash) { object_id } }
    core = Coverage.result.select { |path, _| path.include?("/core/lib/") }
    found =
      core.to_h do |path, seen|
        methods = seen[:methods].map { |(_, _, from, _, to, _), count| [from, to, count] }
        [
          path[%r{core/lib/.*}],
          {
            methods: methods,
            skipped:
              seen[:lines].each_index.select { |at| seen[:lines][at]&.zero? }.map { |at| at + 1 }
          }
        ]
      end
    File.write(ENV.fetch("REACHED"), JSON.generate(found))
  end
end
