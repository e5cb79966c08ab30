# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # What stands on a student's sheet today, whatever is tapped: it is worked out once, and
      # what was tapped is put in.
      class SheetFrame
        # @param record [Studio::Record]
        def initialize(record)
          sheet = Studio::Sheet.new(record.without_taps)
          text = JSON.generate(SheetJson.new(sheet).to_h)
          @letters = text.length
          @json = JSON.parse(text)
          @at = sheet.days.index { |day| day.date == record.today }
          @day = @at && sheet.days[@at]
        end

        # @return [Integer] of its text
        attr_reader :letters

        # @param marks [Array<Hash>] rows of today's
        # @param beside [SheetJson::Beside]
        # @return [Hash] see the contract's Sheet
        def with(marks, beside)
          SheetJson.beside(
            @json.merge(
              "days" => days(marks.group_by { |row| row.values_at(:assignment_id, :step_id) })
            ),
            beside
          )
        end

        private

        def days(marks)
          return @json["days"] if @at.nil? || marks.empty?

          day =
            @day.tapped do |key|
              Studio::Tapped.of(marks.fetch(key, []).map { |row| Repositories::Marks.value(row) })
            end
          @json["days"].dup.tap { |all| all[@at] = tapped(all[@at], day) }
        end

        def tapped(json, day)
          items =
            json["items"]
              .zip(day.items)
              .map { |item, one| item.merge(SheetJson.tapped(one).transform_keys(&:to_s)) }
          json.merge(SheetJson.counted(day).transform_keys(&:to_s)).merge("items" => items)
        end
      end
    end
  end
end
