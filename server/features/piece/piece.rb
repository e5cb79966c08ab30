# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # One piece of the library, as it is for the studio, for all students of a teacher,
      # or for one student.
      class Piece
        MUSICXML = "application/vnd.recordare.musicxml+xml"
        # What it goes out as: media type, and the ending of its file.
        EXPORTS = {
          "musicxml" => [MUSICXML, "musicxml"],
          "script" => ["text/plain; charset=utf-8", "txt"],
          "map" => %w[application/json json]
        }.freeze
        # Rows as they were read.
        Read = Stairwell.value(:row, :revision, :student, :under, :own, :scored, :has_score, :drawn)

        # @param context [StudioContext]
        # @param id [Integer]
        # @param whose [String, nil] "studio", "teacher" or a student's id
        # @param waiting [Waiting] for whom a page is kept
        def initialize(context, id, whose = nil, waiting = Waiting.new({}))
          @context = context
          @waiting = waiting
          @locale = Locales.current
          @id = id
          @whose = Whose.of(whose, context.account_id)
        end

        # @return [Hash] see the contract's Piece
        def show = whole(read)

        # Takes it off the shelf; whoever has it in hand goes on with it.
        # @return [Hash]
        def delete = kept_as(by: @context.account_id)

        # Puts a deleted one back on the shelf.
        # @return [Hash]
        def restore = kept_as(by: nil)

        # Reads a script and changes it; nothing is kept.
        # @param changes [Hash] see {Studio::Bench#draft}
        # @return [Hash] {script:, piece:, problems:}
        def draft(script, **changes)
          read = read()
          draft = bench(read).draft(script, **changes)
          {
            script: draft.script,
            piece: draft.map && page(draft.map, read),
            problems: draft.problems.map(&:to_h)
          }
        end

        # @param seen [Integer] the revision it was made from
        # @return [Hash] as {#show}
        # @raise [Problem] 409 with theirs and both put together
        def save(script, seen:)
          @whose.studio? ? keep_page(script, seen) : keep_layer(script, seen)
        end

        # @return [Array<Hash>] sittings, the newest first
        def revisions
          sittings =
            @context.read do |tables|
              Repositories::Pieces.new(tables).find(@id)
              if @whose.studio?
                Repositories::Pieces.new(tables).sittings(@id)
              else
                Repositories::Layers.new(tables).sittings(@id, @whose.columns)
              end
            end
          sittings.map do |one|
            one.slice(:revision, :before, :by).merge(at: one[:made_at].utc.iso8601)
          end
        end

        # @param number [Integer]
        # @param against [Integer, nil] an earlier revision
        # @return [Hash] {script:, put:, drop:}, what was said anew since the earlier one and
        #   what no longer
        def revision(number, against: nil)
          read, texts = nil
          @context.read do |tables|
            read = fetch(tables)
            texts = [number, against].map { |one| one && kept(tables, one) }
          end
          after, before = texts.map { |row| row ? script_of(row) : "" }
          { script: after, **bench(read).difference(before, after) }
        end

        # @param tempo [Integer, nil] beats per minute
        # @return [Hash] see the contract's Sound
        def sound(tempo: nil)
          map = bench(read).page.map
          Roadmap.playback(map, tempo: tempo || map.target_tempo)
        end

        # @return [String] PDF of what to write into one's own book
        def pencil
          map = bench(read).page.map
          PencilPdf.new(map.title, map, Sections::PencilList.new(map).lines).to_s
        end

        # @return [Array<Hash>] see the contract's Question
        def drill
          map = bench(read).page.map
          Roadmap.drill(map).map { |one| question(map, one) }
        end

        # Keeps what a student answered; the same key twice is one result.
        # @return [Hash]
        def keep_drill(student_id:, key:, asked:, missed:)
          if missed.size > asked
            raise Problem.new(
                    422,
                    Phrase["server.piece.piece.more_bars_were_missed_than_asked"],
                    code: "drill",
                    field: "missed"
                  )
          end

          @context.write do |tables|
            Repositories::Pieces.new(tables).find(@id)
            Rights.with_student!(
              @context,
              tables,
              Repositories::Students.new(tables).find(student_id),
              :hear
            )
            Repositories::Repertoire.new(tables).keep_drill(
              student_id: student_id,
              key: key,
              piece_id: @id,
              day: @context.today,
              asked: asked,
              correct: asked - missed.size,
              missed: missed,
              by: @context.account_id
            )
          end
          { success: "kept" }
        end

        # @return [Array<Hash>] what the studio knows of the page; see the contract's KnownOfPage
        def known
          read, heard = nil
          @context.read do |tables|
            read = fetch(tables)
            heard = Repositories::Learners.new(tables, @id).to_h
          end
          Studio::KnownOfPage
            .of(bench(read).page.map, **heard)
            .map { |one| one.to_h.merge(mend: one.mend&.to_h) }
        end

        # @return [String] the score as MusicXML text
        # @raise [MissingError] when none was loaded
        def score
          bytes =
            @context.read { |tables| Repositories::Pieces.new(tables).score(@id) } ||
              raise(MissingError, Phrase["missing.score"])
          Formats::MusicXML::Package.text(bytes.to_s)
        end

        # @param kind [String] of {EXPORTS}
        # @return [String]
        def export(kind) = bench(read).export(kind)

        private

        def kept_as(by:)
          @context.write { |tables| Repositories::Pieces.new(tables).delete(@id, by: by) }
          { success: by ? "deleted" : "restored" }
        end

        def read = @context.read { |tables| fetch(tables) }

        def fetch(tables)
          pieces = Repositories::Pieces.new(tables)
          row = pieces.find(@id)
          layers = Repositories::Layers.new(tables)
          student = Repositories::Students.new(tables).find(@whose.id) if @whose.kind == :student
          Read.new(
            row: row,
            revision: pieces.revision(@id, row[:revision]),
            student: student,
            own: (layers.newest(@id, @whose.columns) unless @whose.studio?),
            under: student ? layers.newest(@id, { teacher_id: student[:teacher_id] })[:script] : "",
            scored: Repositories::Pages.new(tables).scored([@id])[@id],
            has_score: pieces.score?(@id),
            drawn:
              (
                if @whose.studio?
                  Repositories::PieceFigures.new(tables).page(
                    @id,
                    row[:revision],
                    Drawn.print,
                    @locale
                  )
                end
              )
          )
        end

        def bench(read)
          page =
            Repositories::Pages.page(
              **read.revision.slice(:document, :script),
              under: read.under,
              own_layer: read.own ? read.own[:script] : "",
              scored: read.scored
            )
          Studio::Bench.new(page, layer: !@whose.studio?)
        end

        def keep_page(script, seen)
          read = read()
          bench = bench(read)
          map = bench.map_of(script)
          document = Score::Document.dump(map)
          drawn = Drawn.of(map)
          @waiting.check!
          row =
            @context.write do |tables|
              Repositories::Pieces.new(tables).revise(
                @id,
                { title: map.title, book: map.book },
                document,
                drawn.columns,
                script: script,
                seen: seen,
                by: @context.account_id
              )
            end
          return mine(bench, script, seen) unless row

          JSON.parse(drawn.page, symbolize_names: true).merge(
            about(read),
            revision: row[:revision],
            script: script
          )
        end

        def keep_layer(script, seen)
          read = read()
          kept =
            @context.write do |tables|
              Rights.with_student!(@context, tables, read.student) if read.student
              Repositories::Layers.new(tables).add(
                @id,
                @whose.columns,
                script,
                seen: seen,
                by: @context.account_id
              )
            end
          kept ? show : mine(bench(read), script, seen)
        end

        # What was kept before, where the answer was lost and the client sends it again.
        # @return [Hash] as {#show}
        # @raise [Problem] 409 where it is someone else's
        def mine(bench, script, seen)
          now = show
          unless now.values_at(:revision, :script) == [seen + 1, script]
            raise stale(bench, script, seen)
          end

          now
        end

        # Theirs as it stands now, and both put together.
        def stale(bench, script, seen)
          read, theirs, base = nil
          @context.read do |tables|
            read = fetch(tables)
            theirs =
              (
                if @whose.studio?
                  read.revision.merge(revision: read.row[:revision])
                else
                  read.own.merge(by: name(tables, read.own[:made_by]))
                end
              )
            base = seen.zero? ? { script: "" } : kept(tables, seen)
          end
          text = script_of(theirs)
          Problem.stale(
            :page,
            (
              if @whose.studio?
                Phrase["server.guards.quoted", field: read.row[:title]]
              else
                Phrase["server.piece.piece.these_changes"]
              end
            ),
            sent: {
              script: script
            },
            kept: {
              revision: theirs[:revision],
              script: text,
              by: theirs[:by],
              merged: bench.merged(base: script_of(base), mine: script, theirs: text)
            }
          )
        end

        def name(tables, account_id) =
          account_id && tables.db[:accounts].where(id: account_id).get(:name)

        # @return [Hash] a revision with its :script, or the :document it would be written from
        def kept(tables, number)
          if @whose.studio?
            Repositories::Pieces.new(tables).revision(@id, number)
          else
            Repositories::Layers.new(tables).revision(@id, @whose.columns, number)
          end
        end

        def script_of(row) = row[:script] || Studio::Page.new(document: row[:document]).script

        def question(map, one)
          name = ->(bar) { bar && map.bar(bar).name }
          {
            at: one.at,
            bar: one.bar,
            name: name[one.bar],
            right: one.right,
            why: one.why,
            choices: one.choices.map { |bar| { bar: bar, name: name[bar], why: one.wrong[bar] } }
          }
        end

        def page(map, read)
          student = read.student
          about =
            (
              if student
                {
                  span: student[:hand_span],
                  pedal: student[:has_pedal],
                  known: student[:known].to_a,
                  counting: student[:counting].to_sym
                }
              else
                {}
              end
            )
          PageJson.new(map, about: about).to_h
        end

        def whole(read)
          bench = bench(read)
          page =
            read.drawn ? JSON.parse(read.drawn, symbolize_names: true) : page(bench.page.map, read)
          page.merge(
            about(read),
            revision: read.own ? read.own[:revision] : read.row[:revision],
            script: bench.script
          )
        end

        def about(read) =
          {
            id: @id,
            has_score: read.has_score,
            layer: @whose.kind.to_s,
            deleted: !read.row[:deleted_at].nil?
          }
      end
    end
  end
end
