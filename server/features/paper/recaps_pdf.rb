# frozen_string_literal: true

require_relative "sheet_of_paper"

module Stairwell
  module Server
    module Features
      # What a student was told after each lesson, on paper.
      class RecapsPdf
        SIZE = 10.5
        private_constant :SIZE

        # @param pdf [SheetOfPaper] goes on there
        # @param lessons [Array<Hash>] :day, :recap
        # @return [void]
        def self.draw(pdf, lessons)
          lessons.each do |row|
            pdf.move_down 12
            pdf.text(
              Phrase.day(Date.parse(row[:day].to_s), :full).to_s,
              size: SIZE + 2,
              style: :bold
            )
            pdf.text(row[:recap], size: SIZE)
          end
        end

        # @param name [String]
        # @param lessons [Array<Hash>] :day as text, :recap
        def initialize(name, lessons)
          @name = name
          @lessons = lessons.select { |row| row[:recap] }.sort_by { |row| row[:day] }.reverse
        end

        # @return [String] PDF
        def to_s
          pdf = SheetOfPaper.new(@name)
          pdf.text(Phrase["server.paper.recaps.of", name: @name].to_s, size: 18, style: :bold)
          pdf.text(Phrase["server.paper.recaps.none"].to_s, size: SIZE) if @lessons.empty?
          self.class.draw(pdf, @lessons)
          pdf.render
        end
      end
    end
  end
end
