# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # The addresses of what a studio takes out and hands on.
      module RecordRoutes
        # What is sent as a file of its own.
        module Brought
          # @yieldparam path [String] where it lies until the block ends
          # @return [Object] what the block gives
          def brought
            Tempfile.create("brought", binmode: true) do |file|
              request.body.rewind
              IO.copy_stream(request.body, file)
              file.close
              yield file.path
            end
          end
        end

        def self.registered(app)
          app.helpers Brought
          app.get("/api/studio/history") do
            render_json(
              History.new(context).list(
                **checked
                  .query
                  .slice("before", "kind", "account", "student")
                  .transform_keys(&:to_sym)
              )
            )
          end
          app.get("/api/studio/archive.zip") do
            content_type "application/zip"
            attachment("studio-#{context.today}.zip")
            Archive.new(context).sent
          end
          app.post("/api/studio/archive") do
            render_json(brought { |path| ArchiveLoad.new(context).bring(path) }, status: 202)
          end
          app.get("/api/studio/archive") { render_json(ArchiveLoad.new(context).show) }
          app.get("/api/studio/keeping") { render_json(Keeping.new(context).show) }
          app.put("/api/studio/keeping") { render_json(Keeping.new(context).change(sent)) }
          app.post("/api/students/:id/keep") do
            render_json(Keeping.new(context).longer(id, sent[:months]))
          end
          app.put("/api/students/:id/consent") do
            Keeping.new(context).consent(id, **sent)
            render_json(Students.new(context).show(id))
          end
          app.get("/api/students/:id/record.zip") do
            content_type "application/zip"
            attachment("student-#{id}.zip")
            StudentZip.new(context, id).to_s
          end
          app.post("/api/students/:id/erase") { render_json(Erasure.new(context, id).call(**sent)) }
          app.delete("/api/students/:id/erase") do
            Erasure.new(context, id).stop
            render_json(Students.new(context).show(id))
          end
          app.get("/api/studio/csv/:table") do
            table = at("table")
            content_type "text/csv", charset: "utf-8"
            attachment("#{table}.csv")
            CsvOut.new(context).of(table)
          end
        end
      end
    end
  end
end
