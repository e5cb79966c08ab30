# frozen_string_literal: true

module Stairwell
  module Formats
    class StudentList
      # What a cell says, by the name of its column.
      # @raise [ArgumentError] where it cannot be told
      module Cells
        module_function

        # @param head [String]
        # @return [Symbol, nil]
        def column(head)
          wanted = plain(head)
          COLUMNS.find { |column| names(column).include?(wanted) }
        end

        def name(text) = short(text, 60)

        def class_name(text) = short(text, 60)

        def email(text) =
          text.match?(/\A[^\s@]+@[^\s@]+\z/) ? short(text, 200) : raise(ArgumentError)

        def lesson_weekday(text) = weekday(text)

        def lesson_time(text)
          found = /\A(\d{1,2})(?:[:.h](\d{2}))?\s*(am|pm|a\.m\.|p\.m\.)?\z/i.match(text.strip) or
            raise ArgumentError
          hour, minute, half = found[1].to_i, found[2].to_i, found[3].to_s.downcase[0]
          raise ArgumentError if half && !hour.between?(1, 12)

          hour = hour % 12 + ((half == "p") ? 12 : 0) if half
          raise ArgumentError if hour > 23 || minute > 59 || [found[2], half].none?

          format("%02d:%02d", hour, minute)
        end

        def lesson_minutes(text) = number(text, 5..240)

        def minutes_a_day(text) = number(text, 5..240)

        def begin_per_day(text) = number(text, 1..10)

        # Weekdays one after another; a stretch such as "Mon-Fri".
        def practice_days(text)
          found =
            text
              .split(%r{[,;/ ]+})
              .reject(&:empty?)
              .flat_map do |part|
                from, to = part.split(/[-–]/, 2).map { |day| weekday(day) }
                to ? (0..((to - from) % 7)).map { |days| (from + days) % 7 } : [from]
              end
          found.empty? ? raise(ArgumentError) : found.uniq.sort
        end

        def weekday(text)
          wanted = plain(text)
          weekdays.fetch(wanted) { raise ArgumentError }
        end

        def number(text, range) =
          Integer(text[/\A\s*(\d{1,4})/, 1] || raise(ArgumentError), 10).then do |value|
            range.cover?(value) ? value : raise(ArgumentError)
          end

        def short(text, most) =
          (text.size > most || text.include?("\0")) ? raise(ArgumentError) : text

        def plain(text) = text.to_s.strip.downcase.delete_suffix(".").tr("_", " ")

        # @return [Hash{String => Integer}] names of the days, in all languages
        def weekdays
          Locales
            .all
            .flat_map do |locale|
              %i[day_names abbr_day_names].flat_map do |kind|
                I18n
                  .t(kind, scope: :date, locale: locale)
                  .each_with_index
                  .map { |day, at| [plain(day), at] }
              end
            end
            .to_h
        end

        def names(column) =
          Locales
            .all
            .flat_map do |locale|
              Locales.with(locale) do
                Phrase["formats.student_list.heads.#{column}"].to_s.split("|")
              end
            end
            .uniq
      end
    end
  end
end
