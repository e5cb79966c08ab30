# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # The addresses of the library and its pieces.
      module PieceRoutes
        module AtPiece
          # @return [Library]
          def library = Library.new(context, Waiting.new(env))

          # @return [OtherScores]
          def other_scores = OtherScores.new(context, id, Waiting.new(env))

          # @return [ScoreFile] as it was sent
          def score_file
            request.body.rewind
            hands = checked.query.slice("right", "left").transform_keys(&:to_sym)
            ScoreFile.new(
              request.body.read,
              checked.query["name"],
              hands: hands,
              **checked.query.slice("title", "sure").transform_keys(&:to_sym)
            )
          end

          # @param whose [String, nil] for whom the piece in the path is shown
          # @return [Piece]
          def piece(whose = checked.query["for"]) = Piece.new(context, id, whose, Waiting.new(env))
        end

        def self.registered(app)
          app.helpers AtPiece
          own = "/api/pieces/:id"

          app.get("/api/pieces") { render_json(library.list) }
          app.post("/api/pieces") do
            render_json(library.type_piece(sent[:script], key: sent[:key]), status: 201)
          end
          app.post("/api/scripts/read") { render_json(library.try_script(sent[:script])) }
          app.post "/api/pieces/score" do
            render_json(library.load_score(score_file, key: checked.query["key"]), status: 201)
          end

          app.get "/api/pieces/parcel" do
            content_type "application/json"
            attachment("pages.json")
            Parcels.new(context, Waiting.new(env)).pack(
              checked.query["pieces"],
              with: checked.query["with"].to_a
            )
          end
          app.post("/api/pieces/parcel") do
            render_json(
              Parcels.new(context, Waiting.new(env)).unpack(
                request.body.tap(&:rewind).read,
                key: checked.query["key"]
              ),
              status: 201
            )
          end

          app.get(own) { render_json(piece.show) }
          app.delete(own) { render_json(piece.delete) }
          app.post("#{own}/restore") { render_json(piece.restore) }
          app.post("#{own}/draft") do
            render_json(
              piece(sent[:for]).draft(
                sent[:script],
                **sent.slice(
                  :put,
                  :drop,
                  :suggest,
                  :shift,
                  :sign,
                  :section,
                  :section_note,
                  :move,
                  :lines
                )
              )
            )
          end
          app.put("#{own}/script") do
            render_json(piece(sent[:for]).save(sent[:script], seen: sent[:revision]))
          end
          app.get("#{own}/revisions") { render_json(piece.revisions) }
          app.get("#{own}/revisions/:revision") do
            render_json(piece.revision(at("revision"), against: checked.query["against"]))
          end
          app.get("#{own}/sound") { render_json(piece.sound(tempo: checked.query["tempo"])) }
          app.get("#{own}/known") { render_json(piece.known) }
          app.get("#{own}/drill") { render_json(piece.drill) }
          app.post("#{own}/drills") do
            render_json(
              piece.keep_drill(**sent.slice(:student_id, :key, :asked, :missed)),
              status: 201
            )
          end
          app.post("#{own}/score") { render_json(other_scores.load(score_file)) }
          app.post("#{own}/merge") { render_json(other_scores.merge(sent[:into])) }
          app.get("#{own}/learners") { render_json(LearnersOfPage.new(context, id).to_a) }
          app.get("#{own}/score") { render_file(piece.score, Piece::MUSICXML) }
          app.get("#{own}/export/:kind") do
            render_file(piece.export(at("kind")), *Piece::EXPORTS.fetch(at("kind")))
          end
        end
      end
    end
  end
end
