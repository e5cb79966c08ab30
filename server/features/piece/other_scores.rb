# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # Another score for a piece that is there, and two entries of one piece made one. What
      # teachers said of a page stays, and so do their changes over it and what students have done.
      class OtherScores
        # Rows as they were read.
        Read =
          Stairwell.value(:row, :revision, :layers) do
            # @return [Studio::Page] the studio's own
            def page = Studio::Page.new(**revision.slice(:document, :script))
          end
        private_constant :Read

        # @param context [StudioContext]
        # @param id [Integer] of the piece
        # @param waiting [Waiting] for whom a page is kept
        def initialize(context, id, waiting)
          @context = context
          @id = id
          @waiting = waiting
          @changes = Repositories::Changes.new(context)
        end

        # @param file [ScoreFile]
        # @return [Hash] the piece, with what was :lost
        def load(file)
          read = @context.read { |tables| fetch(tables, @id) }
          other = file.map
          made = Studio::OtherScore.new(read.page.map, other)
          kept = revision(made.map)
          layers = layers(read, other, made, kept[:script])
          @waiting.check!
          @context.write do |tables|
            keep(tables, @id, read, kept, layers) do |row|
              if file.score?
                Repositories::Pieces.new(tables).keep_score(
                  @id,
                  file.name,
                  file.bytes,
                  revision: row[:revision]
                )
              end
            end
          end
          Piece.new(@context, @id).show.merge(lost: made.lost)
        end

        # This entry goes on as another one.
        # @param into [Integer] of the piece that stays
        # @return [Hash] that piece, how many students :moved, and the names of those who :stayed
        # @raise [Problem] 422 for the same one
        def merge(into)
          if into == @id
            raise Problem.new(
                    422,
                    Phrase["server.piece.other_scores.itself"],
                    code: "itself",
                    field: "into"
                  )
          end

          mine, theirs, learners =
            @context.read do |tables|
              [fetch(tables, @id), fetch(tables, into, live: true), learners(tables, into)]
            end
          join(mine, theirs, into)
          moved, stayed = learners.partition { |row| row[:free] && move(row, into) }
          Piece
            .new(@context, into)
            .show
            .merge(moved: moved.size, stayed: stayed.map { |row| row[:name] })
        end

        private

        def fetch(tables, id, live: false)
          pieces = Repositories::Pieces.new(tables)
          row = pieces.find(id, live: live)
          Read.new(
            row: row,
            revision: pieces.revision(id, row[:revision]),
            layers: Repositories::Pages.new(tables).over(id)
          )
        end

        # What a revision is made of, before the transaction.
        def revision(map)
          map = Studio::Bench.shortened(map)
          {
            script: Formats::PageScript.write(map),
            document: Score::Document.dump(map),
            figures: Drawn.of(map).columns,
            columns: {
              title: map.title,
              book: map.book
            }
          }
        end

        # Changes over the page lie at the same music, wherever its bars are now.
        # @return [Hash{Hash => String}] those that have to be said otherwise
        def layers(read, other, made, script)
          return {} if made.same_bars?

          read.layers.to_h do |whose, text|
            shown =
              Formats::PageScript.read(Formats::PageScript::Layer.on(read.page.script, text)).map
            [
              whose,
              (
                if shown
                  Formats::PageScript::Layer.showing(
                    Formats::PageScript.write(
                      Studio::OtherScore.new(read.page.with_score(shown), other).map
                    ),
                    script,
                    text
                  )
                else
                  text
                end
              )
            ]
          end
        end

        def keep(tables, id, read, kept, layers)
          pieces = Repositories::Pieces.new(tables)
          row =
            pieces.revise(
              id,
              kept[:columns],
              kept[:document],
              kept[:figures],
              script: kept[:script],
              seen: read.row[:revision],
              by: @context.account_id
            ) || raise(Problem.busy)
          layers.each do |whose, text|
            Repositories::Layers.new(tables).put(id, whose, text, @context.account_id)
          end
          yield row
        end

        # The one that stays gets sections and notes of the other where it has none itself.
        def join(mine, theirs, into)
          own, other = mine.page.map, theirs.page.map
          joined = joined(own, other)
          kept = revision(joined) unless joined.equal?(other)
          layers =
            layers(
              mine,
              joined,
              Studio::OtherScore.new(own, joined),
              kept ? kept[:script] : theirs.page.script
            )
          layers = mine.layers.merge(layers).reject { |whose, _| theirs.layers.key?(whose) }
          @waiting.check!
          @context.write do |tables|
            pieces = Repositories::Pieces.new(tables)
            revision = theirs.row[:revision]
            if kept
              keep(tables, into, theirs, kept, {}) do |row|
                with_score(pieces, into, revision = row[:revision])
              end
            end
            layers.each do |whose, text|
              Repositories::Layers.new(tables).put(into, whose, text, @context.account_id)
            end
            pieces.merge(@id, into, revision, by: @context.account_id)
          end
        end

        def joined(mine, theirs)
          page = theirs
          if theirs.sections.empty? && mine.sections.any?
            page =
              Studio::OtherScore
                .new(mine, page)
                .map
                .with(**theirs.to_h.slice(:title, :book, :level))
          end
          page = Studio::OtherScore.new(page, mine).map if mine.notes? && !theirs.notes?
          page
        end

        def with_score(pieces, into, revision)
          bytes = pieces.score(@id) unless pieces.score?(into)
          pieces.keep_score(into, "score.musicxml", bytes, revision: revision) if bytes
        end

        # Students with the piece in hand; `free` are those who never had the other one.
        def learners(tables, into)
          having = tables[:assignments].where(piece_id: into).select_map(:student_id)
          tables[:assignments]
            .where(piece_id: @id, ended: nil)
            .join(:students, studio_id: :studio_id, id: :student_id)
            .select(Sequel[:assignments][:id], :student_id, Sequel[:students][:name])
            .order(Sequel[:students][:name])
            .map { |row| row.merge(free: !having.include?(row[:student_id])) }
        end

        # @return [Boolean] false where there is nothing to learn for them
        def move(row, into)
          title = revision = pages = student = nil
          more = ->(tables) do
            student = Repositories::Students.new(tables).find(row[:student_id])
            piece = Repositories::Pieces.new(tables).find(into)
            title, revision = piece.values_at(:title, :revision)
            pages =
              Repositories::Pages.new(tables).read(
                [[into, revision]],
                teachers: [student[:teacher_id]],
                students: [student[:id]]
              )
          end
          @changes.act(row[:student_id], more: more) do |record|
            Studio::ChangePiece.new(record, row[:id]).move_to(
              into,
              page: pages.page(into, revision, student),
              revision: revision,
              title: title
            )
          end
          true
        rescue RefusedError
          false
        end
      end
    end
  end
end
