# frozen_string_literal: true

require "fileutils"
require "securerandom"

module Stairwell
  module Server
    module Features
      # Loads an archive into a studio that is empty: all of it or nothing.
      #
      # Nobody else can be waiting for an empty studio, so that its one transaction is as long as it
      # takes, and everything that was loaded is read by the core inside of it: whatever it cannot
      # read takes the whole archive back (docs/decisions/0036).
      class LoadArchive
        # What is wrong with rows, as PostgreSQL says it (classes 22 and 23 of its appendix A).
        WRONG = [
          PG::DataException,
          PG::IntegrityConstraintViolation,
          PG::InvalidTextRepresentation,
          PG::UndefinedColumn
        ].freeze
        # Of rows that are put in at once. Own choice: a statement of some megabytes.
        ROWS_AT_ONCE = 500
        BYTES_AT_ONCE = 4 * 1024 * 1024
        # Numbers a row may have: a browser keeps them exactly, also with what comes after them.
        NUMBERS = (1..2**40)
        private_constant :WRONG, :ROWS_AT_ONCE, :BYTES_AT_ONCE, :NUMBERS

        # @param tables [Tables]
        # @return [void]
        # @raise [Problem] 409
        def self.empty!(tables)
          names = Repositories::Archived.new(tables).names - ["history"]
          return if names.none? { |name| tables[name.to_sym].any? }

          raise Problem.new(409, Phrase["server.archive.not_empty"], code: "not_empty")
        end

        # @param context [StudioContext] of who loads it: they go on as whoever made the archive
        # @param folder [String] where {ArchiveFile#unpack} put what is in it
        # @param list [Hash{String=>Object}] its list, checked
        def initialize(context, folder, list)
          @context = context
          @folder = folder
          @list = list
        end

        # @yieldparam done [Integer] rows that are in
        # @yieldparam total [Integer] rows in all
        # @return [void]
        # @raise [Problem] 409 where the studio is not empty, 422 where it cannot be loaded
        def call(&progress)
          @progress = progress
          @context.write { |tables| take_in(tables) }
        rescue Sequel::DatabaseError => error
          raise if WRONG.none? { |kind| error.wrapped_exception.is_a?(kind) }

          raise ArchiveFile.damaged(Phrase["server.archive.refused", table: @at.to_s])
        end

        private

        def take_in(tables)
          settings!(@list["studio"])
          tables.db.run("SET LOCAL idle_in_transaction_session_timeout = 0")
          @tables, @archived = tables, Repositories::Archived.new(tables)
          self.class.empty!(tables)
          known!
          tables.db.get(Sequel.function(:take_over_studio, Sequel.pg_jsonb(@list["studio"])))
          @people = people
          @done, @total = 0, @archived.names.sum { |name| File.foreach(file(name)).count }
          if @total > Limits::ARCHIVE_ROWS
            raise ArchiveFile.damaged(Phrase["server.archive.too_many", most: Limits::ARCHIVE_ROWS])
          end

          @archived.names.each { |name| table(name) }
          count_on
          read_all
          later
          loaded
        end

        # What the screens show at a glance is worked out by jobs, as it is every day.
        def later
          Jobs::DrawPages.enqueue(@context.studio_id)
          Jobs::Summarise.enqueue(@context.studio_id)
        end

        def loaded
          counted = %i[students pieces].to_h { |name| [name, @tables[name].count] }
          Repositories::ArchiveLoads.new(@tables).end("loaded", counted)
          Repositories::History.new(@tables).add(
            day: @context.today,
            account_id: @context.account_id,
            operation: "loadArchive"
          )
        end

        def file(name) = File.join(@folder, "tables", name).tap { |path| FileUtils.touch(path) }

        # What the database does not know of a studio's settings.
        def settings!(studio)
          TZInfo::Timezone.get(studio["time_zone"])
          Languages.known!(studio["locale"])
          Planning::Away.read(
            studio["holidays"].map { |one| one.transform_keys(&:to_sym) },
            field: "holidays"
          )
          readable("studios") do
            [
              Planning::Habit::Seen.load(studio["seen"].to_h.transform_keys(&:to_sym)),
              Planning::Promises.load(studio["promises"].to_h)
            ]
          end
        rescue TZInfo::InvalidTimezoneIdentifier
          raise ArchiveFile.damaged(Phrase["server.archive.time_zone", zone: studio["time_zone"]])
        rescue Error => error
          raise ArchiveFile.damaged(error.message)
        end

        def known!
          unknown = @list["files"].filter_map { |file| file["table"] } - @archived.names
          return if unknown.empty?

          raise ArchiveFile.damaged(Phrase["server.archive.unknown", what: unknown.first])
        end

        # Whoever loads it is who made it. Others can sign in once they have set a password by mail;
        # where their address is somebody's here already, it is not theirs to be drawn into a
        # studio: their name stays, without a sign-in.
        # @return [Hash{Integer=>Integer}] accounts here by those of the archive
        def people
          maker = @list["people"].find { |one| one["id"] == @list["by"] } || @list["people"].first
          @list["people"].to_h do |one|
            [one["id"], (one == maker) ? @context.account_id : joined(one)]
          end
        end

        def joined(one)
          accounts = @tables.db[:accounts]
          taken = accounts.where(email: one["email"].downcase).any?
          id =
            accounts.insert(
              name: one["name"],
              email: taken ? "#{SecureRandom.uuid}@nobody.invalid" : one["email"].downcase
            )
          @tables.db[:memberships].insert(
            studio_id: @context.studio_id,
            account_id: id,
            **one.slice("role", "joined_at", "left_at").transform_keys(&:to_sym)
          )
          id
        end

        def table(name)
          @at = name
          columns = @archived.columns(name)
          @accounts = @archived.accounts(name)
          batches(name) do |rows|
            put(name, rows.filter_map { |row| mapped(name, row, columns) })
            @progress&.call(@done += rows.size, @total)
          end
        end

        # Rows as they lie in the file, one a line: never all of them at once.
        def batches(name)
          rows, bytes = [], 0
          File.foreach(file(name)) do |line|
            rows << JSON.parse(line, max_nesting: Limits::ARCHIVE_NESTED)
            next if rows.size < ROWS_AT_ONCE && (bytes += line.bytesize) < BYTES_AT_ONCE

            yield rows
            rows, bytes = [], 0
          end
          yield rows if rows.any?
        end

        # @return [Hash, nil] the row as it is here; nil where none is made of it
        def mapped(name, row, columns)
          unknown = row.keys - columns
          if unknown.any?
            raise ArchiveFile.damaged(
                    Phrase["server.archive.unknown", what: "#{name}.#{unknown.first}"]
                  )
          end
          numbered!(row["id"]) if row.key?("id") && !row["id"].is_a?(String)
          # Mail that waits is sent by the server where it was written: a copy sends none.
          return if name == "outbox" && row["sent_at"].nil?

          found = row.merge(row.slice(*@accounts).transform_values { |id| id && person(id) })
          # Others stand in the history already.
          return found.except("id") if name == "history"

          (name == "students") ? lessons_mapped(found) : found
        end

        def lessons_mapped(row)
          lessons =
            Array(row["more_lessons"]).map do |lesson|
              if lesson["teacher_id"]
                lesson.merge("teacher_id" => person(lesson["teacher_id"]))
              else
                lesson
              end
            end
          row.merge("more_lessons" => lessons)
        end

        def numbered!(id)
          return if id.is_a?(Integer) && NUMBERS.cover?(id)

          raise ArchiveFile.damaged(Phrase["server.archive.number", table: @at, id: id.to_s[0, 20]])
        end

        def put(name, rows)
          return if rows.empty?
          return scores(rows) if name == "score_files"

          @archived.put(name, rows.first.keys, rows)
        end

        def person(id) =
          @people[id] || raise(ArchiveFile.damaged(Phrase["server.archive.nobody", id: id]))

        def scores(rows)
          rows.each do |row|
            score = row.slice("piece_id", "revision", "name").transform_keys(&:to_sym)
            path = File.join(@folder, Archive.score(score))
            unless File.file?(path)
              raise ArchiveFile.damaged(
                      Phrase["server.archive.missing", file: Archive.score(score)]
                    )
            end

            content = Sequel.blob(File.binread(path))
            @tables.add(:score_files, **score, content: content)
          end
        end

        # The studio's own numbers go on after those that came; links are made anew.
        def count_on
          @at = "numbers"
          @tables.db.get(Sequel.function(:number_on))
          links = Repositories::SheetLinks.new(@tables)
          @at = "linked"
          @list["linked"].each { |id| links.renew(id) }
        end

        # Every document is read, also those that are seldom shown: so it is known that all can be.
        # Nothing is computed of them here.
        def read_all
          studio = @tables.db[:studios].first(id: @context.studio_id)
          context = @context.with(studio: studio, act: nil, news: News::NONE)
          readable("map_revisions") do
            documents.each { |map| Score::Document.load(JSON.parse(map)) }
          end
          readable("students") { records(context) }
          left = @tables[:students].exclude(left_on: nil).all
          left.each do |row|
            Jobs::EndKeeping.lay(@tables, row[:id], Keeping.of(row, context.studio).next_on)
          end
        end

        # Steps, what happened and every plan that screens look into.
        def records(context)
          ids = @tables[:students].select_map(:id)
          ids.each_slice(Limits::SUMMARIES_AT_ONCE) do |some|
            Repositories::Records
              .new(context)
              .load(some)
              .each { |record| record.weeks.begun(Date.new(9999)) }
          end
        end

        def documents =
          @tables[:map_revisions].order(:piece_id, :revision).select_map(Sequel.lit("map::text"))

        def readable(table)
          @at = table
          yield
        rescue Sequel::DatabaseError
          raise
        rescue StandardError => error
          raise ArchiveFile.damaged(
                  Phrase[
                    "server.archive.unreadable",
                    table: table,
                    why: error.message.lines.first.to_s[0, 200]
                  ]
                )
        end
      end
    end
  end
end
