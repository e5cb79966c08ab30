# frozen_string_literal: true

require_relative "background"

module Stairwell
  module Server
    module Jobs
      # Makes the kept figures and pages of a studio's pieces anew, where another version of
      # the app made them or the studio speaks another language now.
      class DrawPages < Que::Job
        # @param studio_id [Integer]
        def run(studio_id)
          context = Jobs.contexts.of_studio(studio_id)
          Locales.with(context.locale) { self.class.draw(context) }
        end

        # One piece at a time: a page may be long, and a revision may come in between.
        # @param context [StudioContext]
        # @return [Integer] how many were made
        def self.draw(context)
          stale =
            context.read do |tables|
              Repositories::PieceFigures.new(tables).stale(Features::Drawn.print, context.locale)
            end
          stale.each do |id, revision|
            document =
              context.read { |tables| Repositories::Pieces.new(tables).revision(id, revision) }[
                :document
              ]
            drawn = Features::Drawn.of(Score::Document.load(JSON.parse(document)))
            context.write(about: nil) do |tables|
              Repositories::PieceFigures.new(tables).keep(id, revision, drawn.columns)
            end
          end
          stale.size
        end
      end
    end
  end
end
