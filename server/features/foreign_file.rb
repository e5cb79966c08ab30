# frozen_string_literal: true

require "json"
require "rbconfig"
require "tmpdir"

module Stairwell
  module Server
    module Features
      # A file from outside is read by the command line's own reader, in a process with an
      # end to its time and memory: whatever a stranger's file does, the server goes on.
      module ForeignFile
        PROGRAM = File.expand_path("../../bin/stairwell", __dir__)
        ARCHIVE_READER = File.expand_path("../../bin/lib/read_archive.rb", __dir__)
        # What the reader may know of its surroundings: no secret is among it.
        SURROUNDINGS = %w[PATH HOME TMPDIR BUNDLE_GEMFILE BUNDLE_PATH].freeze
        # What is told where the end of time or memory was reached.
        TOO_MUCH = Phrase["server.piece.foreign_file.takes_too_much"]
        TOO_HEAVY = Phrase["server.archive.too_heavy"]
        private_constant :TOO_MUCH, :TOO_HEAVY
        # Files that are read at once.
        PLACES = SizedQueue.new(Limits::FILES_AT_ONCE)

        module_function

        # @param bytes [String]
        # @param ending [String] of its name, such as ".mxl"
        # @param hands [Hash{Symbol => String}] where the hands are, as a person says it
        # @return [Score::Map]
        # @raise [UnreadableError] in the reader's words, or because it took too much
        # @raise [Problem] 503 while others' files are read
        def read(bytes, ending, hands = {}) =
          Score::Document.load(
            said_of(
              bytes,
              "piece#{ending}",
              "convert",
              "--to",
              "map",
              *hands.map { |hand, place| "--#{hand}=#{place}" }
            )
          )

        # @return [Array<Hash{String => Object}>] every staff that can be a hand
        # @raise [UnreadableError, Problem] as {read}
        def staves(bytes, ending) = said_of(bytes, "piece#{ending}", "staves")

        # @param bytes [String] of a parcel of pages
        # @return [Array<Score::Map>]
        # @raise [UnreadableError, Problem] as {read}
        def parcel(bytes) =
          said_of(bytes, "pages.json", "parcel").map { |page| Score::Document.load(page) }

        # @param text [String] of a calendar file
        # @param since [Date]
        # @return [Hash{String => Object}] "holidays" and how many events were "passed_over"
        # @raise [UnreadableError, Problem] as {read}
        def holidays(text, since) = said_of(text, "holidays.ics", "holidays", "--since", since.to_s)

        # Unpacks an archive of a studio, see {ArchiveFile#unpack}. Jobs alone do it: one waits for
        # its turn.
        # @param path [String] of the archive
        # @param folder [String] where what is in it is put
        # @return [Hash{String => Object}] its list
        # @raise [UnreadableError]
        def archive(path, folder)
          taken = PLACES.push(true)
          result(folder, run(folder, ARCHIVE_READER, path, folder), TOO_HEAVY)
        ensure
          PLACES.pop if taken
        end

        # @param command [Array<String>] of the command line, without the file
        # @return [Object] the JSON it gives
        def said_of(bytes, name, *command)
          taken = PLACES.push(true, true)
          Dir.mktmpdir("stairwell") do |folder|
            file = File.join(folder, name)
            File.binwrite(file, bytes)
            result(folder, run(folder, PROGRAM, *command, file, "--json"))
          end
        rescue ThreadError
          raise Problem.new(503, Phrase["server.piece.foreign_file.others_are_read"], code: "busy")
        ensure
          PLACES.pop if taken
        end

        # @return [Process::Status, nil] nil when it had to be ended
        def run(folder, program, *arguments)
          outside = ENV.to_h.slice(*SURROUNDINGS).merge("LANG" => "C.UTF-8")
          child =
            Process.spawn(
              outside,
              RbConfig.ruby,
              program,
              *arguments,
              out: File.join(folder, "out"),
              err: File.join(folder, "err"),
              in: File::NULL,
              chdir: folder,
              unsetenv_others: true,
              pgroup: true,
              close_others: true,
              rlimit_cpu: Limits::FILE_SECONDS,
              rlimit_as: Limits::FILE_MEMORY,
              rlimit_fsize: Limits::FILE_OUT,
              rlimit_core: 0
            )
          ended = Process.detach(child)
          return ended.value if ended.join(Limits::FILE_SECONDS * 2)

          Process.kill(:KILL, -child)
          ended.join
          nil
        end

        def result(folder, status, too_much = TOO_MUCH)
          if status&.success?
            return JSON.parse(File.read(File.join(folder, "out"), encoding: "UTF-8"))
          end

          said = File.read(File.join(folder, "err"), encoding: "UTF-8").scrub
          refused = JSON.parse(said.lines.last) if status&.exitstatus == 2 &&
            said.lines.last.to_s.start_with?("{")
          raise(
            if refused
              UnreadableError.new(Phrase.unpack(refused["said"]), code: refused["code"].to_sym)
            else
              UnreadableError.new(too_much, code: :too_much)
            end
          )
        rescue JSON::ParserError # what it says was cut off
          raise UnreadableError.new(too_much, code: :too_much)
        end

        private_class_method :said_of, :run, :result
      end
    end
  end
end
