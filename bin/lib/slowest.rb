# frozen_string_literal: true

# Where the time of a run of bin/test went: its parts, then files, then examples, the longest first.

require "json"

folder = ARGV.fetch(0)
runs =
  Dir[File.join(folder, "*.json")].sort.to_h do |file|
    [File.basename(file, ".json"), JSON.parse(File.read(file))]
  end
abort "Nothing was timed yet. Run bin/test first." if runs.empty?

examples = runs.values.flat_map { |run| run["examples"] }
seconds = ->(all) { all.sum { |example| example["run_time"].to_f } }
row = ->(time, text) { puts format("%8.1f s  %s", time, text) }

puts "Parts"
runs
  .sort_by { |_, run| -run["summary"]["duration"] }
  .each { |name, run| row.call(run["summary"]["duration"], "#{name}: #{run["summary_line"]}") }
puts "Files"
examples
  .group_by { |example| example["file_path"] }
  .transform_values(&seconds)
  .max_by(25, &:last)
  .each { |file, time| row.call(time, file) }
puts "Examples"
examples
  .max_by(40) { |example| example["run_time"].to_f }
  .each do |example|
    row.call(
      example["run_time"],
      "#{example["file_path"]}:#{example["line_number"]} #{example["full_description"][0, 90]}"
    )
  end
