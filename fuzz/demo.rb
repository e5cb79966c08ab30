# frozen_string_literal: true

require "demo/people"
require "demo/pieces"
require_relative "fuzz"

class Fuzz
  # The fuzzer on a server whose studio is the demo's or a test's.
  module Demo
    CONTRACT = File.expand_path("../api/openapi.yaml", __dir__)

    module_function

    # @param app [#call]
    # @param db [Sequel::Database] as its owner
    # @param people [Array<Hash>] email:, password:
    # @param tokens [Array<String>] of private links
    # @return [Fuzz]
    def on(app, db, seed:, people:, tokens:)
      maps = ::Demo::Pieces.all.map(&:map)
      scripts = maps.map { |map| Stairwell::Formats::PageScript.write(map) }
      files =
        maps.flat_map do |map|
          [
            ["a.musicxml", Stairwell::Formats::MusicXML.write(map)],
            ["a.mxl", Stairwell::Formats::MusicXML.compress(map)],
            ["a.json", JSON.generate(Stairwell::Score::Document.dump(map))]
          ]
        end
      Fuzz.new(
        app,
        contract: CONTRACT,
        seed: seed,
        known: known(db).merge("token" => tokens),
        people: people,
        scripts: scripts,
        files: files
      )
    end

    # Ids that exist, so that requests get further than "not found".
    def known(db)
      assignments = db[:assignments].select_map(:id)
      steps =
        db[:assignments]
          .select_map(:steps)
          .flat_map { |all| (all.is_a?(String) ? JSON.parse(all) : all).map { |step| step["id"] } }
          .uniq
      {
        "id" => (db[:students].select_map(:id) + db[:pieces].select_map(:id)).uniq.first(40),
        "assignment" => assignments.first(40),
        "assignment_id" => assignments.first(40),
        "step_id" => steps.first(60),
        "student_id" => db[:students].select_map(:id).first(20),
        "piece_id" => db[:pieces].select_map(:id),
        "revision" => [1, 2],
        "key" => nil,
        "kind" => nil
      }.compact
    end
    private_class_method :known
  end
end
