# frozen_string_literal: true

module Stairwell
  module Server
    module Services
      # What is told, noted, lent and sent at the end of a lesson.
      class LessonEnd
        def initialize(desk, student_id)
          @desk = desk
          @student = Models::Students.new(desk).find(student_id)
          @lessons = Models::Lessons.new(desk)
        end

        # Keeps the teacher's words as they are typed.
        # @param values [Hash] recap: (nil to take the plan's again), notes:
        # @return [Hash] the lesson's own words
        def save(values, seen:) = @lessons.save(@student[:id], values, seen: seen)

        # @return [void]
        def lend(title) = Models::Lendings.new(@desk).lend(@student[:id], title)

        # @return [void]
        def take_back(id) = Models::Lendings.new(@desk).take_back(@student[:id], id)

        # Plans the week, and sends the recap where that is wanted.
        # @param send_mail [Boolean]
        # @return [Hash] {sent:, sheet_path:}
        # @raise [Problem] 422 when it is to be sent and there is no address
        def finish(send_mail:)
          if send_mail && @student[:email].to_s.empty?
            raise Problem.new(422, "There is no email address for #{@student[:name]}. Add it under Change, or finish without sending.", code: "no_address", field: "send")
          end

          lesson = Lesson.new(@desk)
          shown = lesson.show(@student[:id])
          PlanWeek.new(@desk).call(@student, from: @desk.today + 1)
          row = @lessons.finish(@student[:id])
          # What was told stays as it was told, whatever is planned later.
          @lessons.save(@student[:id], {recap: shown[:lesson][:recap] || shown[:recap]}, seen: row[:version])
          mail(shown) if send_mail
          {sent: send_mail, sheet_path: sheet_path}
        end

        private

        def mail(shown)
          link = sheet_path && "#{@desk.settings.address}#{sheet_path}"
          body = [shown[:lesson][:recap] || shown[:recap], link && "The week sheet: #{link}", @desk.studio[:name]].compact.join("\n\n")
          day = @desk.today
          row = Models::Outbox.new(@desk).add(@student[:id], recipient: @student[:email], subject: "#{@student[:name]}'s week from #{day.day} #{day.strftime("%B")}", body: body)
          Jobs::SendMail.enqueue(@desk.studio_id, row[:id]) if @desk.settings.smtp
        end

        def sheet_path
          links = Models::SheetLinks.new(@desk)
          link = links.live(@student[:id])
          link && "/s/#{links.token(link)}"
        end
      end
    end
  end
end
