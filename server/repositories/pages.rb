# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # Pages of pieces as rows: revisions, what lies over them, and the score's own.
      class Pages
        # Rows as they were read, and the core's pages of them.
        Read =
          Stairwell.value(:revisions, :layers, :scored) do
            # @param assignment [Hash] row
            # @param student [Hash] row
            # @return [Array(Studio::Page, Studio::Page)] as its steps were made from, and as
            #   it is now
            def of(assignment, student)
              [assignment[:revision], assignment[:newest_revision]].map do |number|
                page(assignment[:piece_id], number, student)
              end
            end

            # @param piece_id [Integer]
            # @param number [Integer] of a revision
            # @param student [Hash, nil] row
            # @return [Studio::Page]
            def page(piece_id, number, student)
              row = revisions.fetch([piece_id, number])
              under, own =
                (
                  if student
                    [
                      layer(piece_id, :teacher_id, student[:teacher_id]),
                      layer(piece_id, :student_id, student[:id])
                    ]
                  else
                    ["", ""]
                  end
                )
              Pages.page(
                document: row[:document],
                script: row[:script],
                under: under,
                own_layer: own,
                scored: scored[piece_id]
              )
            end

            def layer(piece_id, whose, id) = layers.fetch([piece_id, whose, id], "")
          end

        # @param document [String] JSON of a map
        # @param script [String, nil]
        # @param under [String] script of changes, the teacher's
        # @param own_layer [String] script of changes, the student's own
        # @param scored [String, nil] JSON of the first map with notes
        # @return [Studio::Page] that is read once, and asked for again and again
        def self.page(document:, script:, under: "", own_layer: "", scored: nil)
          Remembered::OF_PROCESS.fetch(:page, document, script, under, own_layer, scored) do
            Studio::Page.new(
              document: document,
              script: script,
              under: [under],
              own_layer: own_layer,
              scored: scored
            )
          end
        end

        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
        end

        # @param assignments [Array<Hash>] rows
        # @param students [Array<Hash>] rows
        # @return [Read]
        def rows(assignments, students)
          wanted =
            assignments
              .flat_map do |row|
                [[row[:piece_id], row[:revision]], [row[:piece_id], row[:newest_revision]]]
              end
              .uniq
          read(
            wanted,
            teachers: students.map { |row| row[:teacher_id] },
            students: students.map { |row| row[:id] }
          )
        end

        # @param wanted [Array<Array(Integer, Integer)>] piece and revision
        # @return [Read]
        def read(wanted, teachers: [], students: [])
          ids = wanted.map(&:first).uniq
          layers = layers(ids, teachers, students)
          changed = layers.reject { |_, script| script.strip.empty? }.keys.map(&:first).uniq
          Read.new(revisions: revisions(wanted), layers: layers, scored: scored(changed))
        end

        # @param piece_ids [Array<Integer>]
        # @return [Hash{Integer => String}] JSON of the map that has the notes, by piece: that of
        #   the newest score as it was loaded, else the first with some
        def scored(piece_ids)
          return {} if piece_ids.empty?

          files =
            @tables[:score_files]
              .where(piece_id: piece_ids)
              .group(:piece_id)
              .select(Sequel[:piece_id].as(:of), Sequel.function(:max, :revision).as(:scored))
          rows =
            @tables[:map_revisions]
              .where(piece_id: piece_ids)
              .where(Sequel.lit("map -> 'notes' <> '{}'"))
              .left_join(files.as(:files), of: :piece_id)
          rows
            .distinct(:piece_id)
            .order(:piece_id, Sequel.desc(Sequel.expr(revision: :scored)), :revision)
            .select_map([:piece_id, Sequel.cast(:map, :text).as(:document)])
            .to_h
        end

        # @param piece_id [Integer]
        # @return [Hash{Hash => String}] the newest changes of everyone over a piece, by whose they
        #   are: teacher_id: or student_id:
        def over(piece_id)
          rows =
            @tables[:piece_layers]
              .where(piece_id: piece_id)
              .distinct(:teacher_id, :student_id)
              .order(:teacher_id, :student_id, Sequel.desc(:revision))
          rows
            .to_h { |row| [row.slice(:teacher_id, :student_id).compact, row[:script]] }
            .reject { |_, script| script.strip.empty? }
        end

        private

        def revisions(wanted)
          @tables[:map_revisions]
            .where(%i[piece_id revision] => wanted)
            .select(:piece_id, :revision, Sequel.cast(:map, :text).as(:document), :script)
            .to_h { |row| [row.values_at(:piece_id, :revision), row] }
        end

        # The newest changes of teachers and students.
        def layers(piece_ids, teachers, students)
          rows =
            @tables[:piece_layers].where(piece_id: piece_ids).where(
              Sequel.|({ teacher_id: teachers }, { student_id: students })
            )
          rows
            .distinct(:piece_id, :teacher_id, :student_id)
            .order(:piece_id, :teacher_id, :student_id, Sequel.desc(:revision))
            .to_h do |row|
              whose = row[:teacher_id] ? :teacher_id : :student_id
              [[row[:piece_id], whose, row[whose]], row[:script]]
            end
        end
      end
    end
  end
end
