# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # The end of a lesson: the week is planned, what was told stays as it was told, and
      # it is sent where that is wanted.
      class FinishLesson
        # @param context [StudioContext]
        # @param id [Integer] of the student
        def initialize(context, id)
          @context = context
          @id = id
        end

        # @param send_mail [Boolean]
        # @return [Hash] {sent:, sheet_path:}
        # @raise [Problem] 422 when it is to be sent and there is no address
        def call(send_mail:)
          beside = recap = mail = nil
          more = ->(tables) { beside = beside(tables) }
          keep = lambda do |tables, _|
            Repositories::Lessons.new(tables, @context).finish(@id, recap)
            mail = Repositories::Outbox.new(tables).add(@id, **in_their_words(beside) { letter(beside, recap) }, by: @context.account_id) if send_mail
          end
          Repositories::Changes.new(@context).act(@id, more: more, keep: keep) do |record|
            addressed!(beside[:row]) if send_mail
            recap = beside.dig(:lesson, :recap) || LessonJson.new(record, nil, @context.account_id).recap
            Studio.plan(record, from: record.today + 1).promising
          end
          Jobs::SendMail.enqueue(@context.studio_id, mail[:id]) if mail && @context.settings.smtp
          {sent: send_mail, sheet_path: beside[:sheet_path]}
        end

        private

        def beside(tables)
          {
            row: Repositories::Students.new(tables).find(@id), lesson: Repositories::Lessons.new(tables, @context).today(@id),
            sheet_path: Repositories::SheetLinks.new(tables, @context.settings.link_secret).path(@id)
          }
        end

        def addressed!(row)
          return unless row[:email].to_s.empty?

          raise Problem.new(422, Phrase["server.lesson.finish_lesson.there_is_no_email_address_for", name: row[:name]], code: "no_address", field: "send")
        end

        def in_their_words(beside, &) = Locales.with(beside[:row][:locale] || @context.locale, &)

        def letter(beside, recap)
          row, path, day = beside[:row], beside[:sheet_path], @context.today
          body = [recap, path && Phrase["server.lesson.finish_lesson.the_week_sheet", address: @context.settings.address, path: path], @context.studio[:name]].compact.join("\n\n")
          {recipient: row[:email], subject: Phrase["server.lesson.finish_lesson.subject", name: row[:name], day: Phrase.day(day, :day_and_month)].to_s, body: body}
        end
      end
    end
  end
end
