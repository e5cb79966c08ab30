# frozen_string_literal: true

module Stairwell
  module Server
    module Routes
      # The library.
      module Pieces
        def self.registered(app)
          app.get "/api/pieces" do
            at_desk { |desk| render_json(Services::Library.new(desk).list) }
          end

          app.post "/api/pieces" do
            at_desk { |desk| render_json(Services::Library.new(desk).type_piece(sent[:script]), status: 201) }
          end

          app.post "/api/pieces/score" do
            at_desk do |desk|
              request.body.rewind
              piece = Services::Library.new(desk).load_score(request.body.read, checked.query["name"])
              render_json(piece, status: 201)
            end
          end

          app.post "/api/scripts/read" do
            at_desk { |desk| render_json(Services::Library.new(desk).try_script(sent[:script])) }
          end

          app.get("/api/pieces/:id") { at_bench { |bench| render_json(bench.show) } }

          app.post "/api/pieces/:id/draft" do
            at_bench(sent[:for]) { |bench| render_json(bench.draft(sent[:script], **sent.slice(:put, :drop, :suggest, :shift))) }
          end

          app.put "/api/pieces/:id/script" do
            at_bench(sent[:for]) { |bench| render_json(bench.save(sent[:script], seen: sent[:revision])) }
          end

          app.get("/api/pieces/:id/revisions") { at_bench { |bench| render_json(bench.revisions) } }

          app.get "/api/pieces/:id/revisions/:revision" do
            at_bench { |bench| render_json(bench.revision(checked.path_parameters["revision"], against: checked.query["against"])) }
          end

          app.get("/api/pieces/:id/sound") { at_bench { |bench| render_json(bench.sound(tempo: checked.query["tempo"])) } }

          app.get("/api/pieces/:id/drill") { at_bench { |bench| render_json(bench.drill) } }

          app.post "/api/pieces/:id/drills" do
            at_bench { |bench| render_json(bench.keep_drill(**sent.slice(:student_id, :key, :asked, :missed)), status: 201) }
          end

          app.get "/api/pieces/:id/score" do
            at_bench { |bench| render_file(bench.score, "application/vnd.recordare.musicxml+xml") }
          end

          app.get "/api/pieces/:id/export/:kind" do
            kind = checked.path_parameters["kind"]
            at_bench { |bench| render_file(bench.export(kind), *EXPORTS.fetch(kind)) }
          end
        end

        # What a piece goes out as: media type, and the ending of its file.
        EXPORTS = {
          "musicxml" => ["application/vnd.recordare.musicxml+xml", "musicxml"], "script" => ["text/plain; charset=utf-8", "txt"], "map" => ["application/json", "json"]
        }.freeze
      end
    end
  end
end
