# frozen_string_literal: true

# Reads an archive of a studio for a loader, in a process of its own: read_archive.rb FILE FOLDER.
# Its list goes to standard output as JSON, what is wrong with it to standard error.

require "bundler/setup"
root = File.expand_path("../..", __dir__)
$LOAD_PATH.unshift(root, File.join(root, "core/lib"))
require "json"
# The texts of the core are enough: nothing of a studio is worked out here.
%w[value phrase/textual phrase/text phrase/day phrase/number phrase/ordinal].each do |part|
  require "stairwell/#{part}"
end
%w[phrase/capital phrase/list phrase/former phrase error].each do |part|
  require "stairwell/#{part}"
end
require "server/limits"
require "server/problem"
require "server/features/records/archive"
require "server/features/records/archive_file"

Stairwell::Locales.add(File.join(root, "server/locales"))
begin
  archive, folder = ARGV
  list = Stairwell::Server::Features::ArchiveFile.open(archive) { |file| file.unpack(folder) }
  puts JSON.generate(list)
rescue Stairwell::Server::Problem => error
  warn JSON.generate({ code: error.code, said: Stairwell::Phrase.pack(error.said) })
  exit 2
end
