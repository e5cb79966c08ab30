# frozen_string_literal: true

require "securerandom"

module Stairwell
  module Server
    module Features
      # Loads an archive into a studio that is empty: all of it or nothing.
      #
      # Nobody else can be waiting for an empty studio, so that its one transaction is as long as it
      # takes, and the core works inside of it: whatever it cannot read takes the whole archive back
      # (docs/decisions/0036).
      class LoadArchive
        # What is wrong with rows, as PostgreSQL says it (classes 22 and 23 of its appendix A).
        WRONG = [
          PG::DataException,
          PG::IntegrityConstraintViolation,
          PG::InvalidTextRepresentation,
          PG::UndefinedColumn
        ].freeze
        private_constant :WRONG

        # @param context [StudioContext] of who loads it: they go on as whoever made the archive
        def initialize(context)
          @context = context
        end

        # @param path [String] of the archive
        # @return [Hash] students: and pieces: that are there now
        # @raise [Problem] 409 where the studio is not empty, 422 where the archive cannot be loaded
        def call(path)
          ArchiveFile.open(path) { |file| @context.write { |tables| take_in(file, tables) } }
        rescue Sequel::DatabaseError => error
          raise unless WRONG.any? { |kind| error.wrapped_exception.is_a?(kind) }

          raise ArchiveFile.damaged(Phrase["server.archive.refused", table: @at.to_s])
        end

        private

        def take_in(file, tables)
          settings!(file.list["studio"])
          tables.db.run("SET LOCAL idle_in_transaction_session_timeout = 0")
          @tables, @archived = tables, Repositories::Archived.new(tables)
          empty!
          known!(file)
          @tables.db.get(Sequel.function(:take_over_studio, Sequel.pg_jsonb(file.list["studio"])))
          @people = people(file.list)
          @archived.names.each { |name| rows(name, file) }
          rest(file.list)
          worked_out
          { students: tables[:students].count, pieces: tables[:pieces].count }
        end

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
              Planning::Promises.load(studio["promises"].to_h.transform_keys(&:to_sym))
            ]
          end
        rescue TZInfo::InvalidTimezoneIdentifier
          raise ArchiveFile.damaged(Phrase["server.archive.time_zone", zone: studio["time_zone"]])
        rescue Error => error
          raise ArchiveFile.damaged(error.message)
        end

        def empty!
          full = (@archived.names - ["history"]).find { |name| @tables[name.to_sym].any? }
          raise Problem.new(409, Phrase["server.archive.not_empty"], code: "not_empty") if full
        end

        def known!(file)
          unknown = file.tables - @archived.names
          if unknown.any?
            raise ArchiveFile.damaged(Phrase["server.archive.unknown", what: unknown.first])
          end
        end

        # Whoever loads it is who made it. Others can sign in once they have set a password by mail;
        # where their address is somebody's here already, it is not theirs to be drawn into a
        # studio: their name stays, without a sign-in.
        # @return [Hash{Integer=>Integer}] accounts here by those of the archive
        def people(list)
          maker = list["people"].find { |one| one["id"] == list["by"] } || list["people"].first
          list["people"].to_h do |one|
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

        def rows(name, file)
          @at = name
          rows = file.rows(name).map { |row| mapped(name, row) }
          # others stand there already
          rows = rows.map { |row| row.except("id") } if name == "history"
          # Mail that waits is sent by the server where it was written: a copy sends none.
          rows = rows.select { |row| row["sent_at"] } if name == "outbox"
          return if rows.empty?

          columns = rows.first.keys
          unknown = columns - @archived.columns(name)
          if unknown.any?
            raise ArchiveFile.damaged(
                    Phrase["server.archive.unknown", what: "#{name}.#{unknown.first}"]
                  )
          end

          (name == "score_files") ? scores(rows, file) : @archived.put(name, columns, rows)
        end

        def mapped(name, row)
          found =
            row.merge(
              row.slice(*@archived.accounts(name)).transform_values { |id| id && person(id) }
            )
          return found unless name == "students"

          found.merge(
            "more_lessons" =>
              Array(row["more_lessons"]).map do |one|
                one["teacher_id"] ? one.merge("teacher_id" => person(one["teacher_id"])) : one
              end
          )
        end

        def person(id) =
          @people[id] || raise(ArchiveFile.damaged(Phrase["server.archive.nobody", id: id]))

        def scores(rows, file)
          rows.each do |row|
            score = row.slice("piece_id", "revision", "name").transform_keys(&:to_sym)
            @tables.db[:score_files].insert(
              studio_id: @context.studio_id,
              **score,
              content: Sequel.blob(file.file(Archive.score(score)))
            )
          end
        end

        # Whoever is in the archive was not erased, whatever it says: a restore would take them
        # away.
        def rest(list)
          here = @tables[:students].select_map(:id)
          @tables.db.get(
            Sequel.function(
              :take_over_erasures,
              Sequel.pg_jsonb(list["erasures"].reject { |one| here.include?(one["student_id"]) })
            )
          )
          @tables.db.get(Sequel.function(:number_on))
          links = Repositories::SheetLinks.new(@tables, @context.settings.link_secret)
          @at = "linked"
          list["linked"].each { |id| links.renew(id) }
        end

        # What every screen shows is made once, and what is seldom shown is read: so it is known
        # that all can be.
        def worked_out
          gone = @tables[:students].exclude(left_on: nil).all
          context =
            @context.with(
              studio: @tables.db[:studios].first(id: @context.studio_id),
              act: nil,
              news: News::NONE
            )
          Locales.with(context.locale) do
            readable("map_revisions") do
              @tables[:map_revisions]
                .select(Sequel.lit("map::text AS document"))
                .each { |row| Score::Document.load(JSON.parse(row[:document])) }
              Jobs::DrawPages.draw(context)
            end
            overview = Overview.new(context)
            readable("students") do
              Limits::SUMMARY_ROUNDS.times { overview.freshen || break }
              gone.each_slice(Limits::SUMMARIES_AT_ONCE) do |some|
                overview.summarise(some.map { |row| row[:id] })
              end
            end
          end
          gone.each do |row|
            Jobs::EndKeeping.lay(@tables, row[:id], Keeping.of(row, context.studio).next_on)
          end
        end

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
