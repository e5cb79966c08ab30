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

          app.get "/api/pieces/:id" do
            at_desk { |desk| render_json(Services::Library.new(desk).show(id)) }
          end

          app.put "/api/pieces/:id/script" do
            at_desk { |desk| render_json(Services::Library.new(desk).change_script(id, sent[:script], seen: sent[:revision])) }
          end

          app.post "/api/pieces/:id/suggestion" do
            at_desk { |desk| render_json(Services::Library.new(desk).suggest_sections(id, seen: sent[:revision])) }
          end

          app.put "/api/pieces/:id/sections" do
            at_desk { |desk| render_json(Services::Library.new(desk).change_sections(id, sent[:sections], seen: sent[:revision])) }
          end
        end
      end
    end
  end
end
