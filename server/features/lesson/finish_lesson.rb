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
          beside = recap = nil
          letters = []
          more = ->(tables) { beside = beside(tables) }
          keep =
            lambda do |tables, _|
              Repositories::Lessons.new(tables, @context).finish(@id, recap)
              letters.each { |letter| post(tables, letter) }
            end
          Repositories::Changes
            .new(@context)
            .act(@id, more: more, keep: keep) do |record|
              addressed!(beside[:row]) if send_mail
              lesson = LessonJson.new(record, nil, @context.account_id)
              recap = beside.dig(:lesson, :recap) || lesson.recap
              # Each in their own language, unless the teacher chose the words.
              letters =
                (
                  if send_mail
                    readers(beside[:row]).map do |address, locale|
                      Locales.with(locale) do
                        letter(
                          beside,
                          address,
                          beside.dig(:lesson, :recap) || lesson.recap_in(locale)
                        )
                      end
                    end
                  else
                    []
                  end
                )
              came = Studio.came(record)
              Studio
                .plan(came.record, from: record.today + 1)
                .with(appointments: came.appointments)
                .promising
            end
          # Without a mail server it lies in the outbox, and nobody gets it.
          { sent: send_mail && !@context.settings.smtp.nil?, sheet_path: beside[:sheet_path] }
        end

        private

        # Its job lies with it: where one is kept, so is the other.
        def post(tables, letter)
          row = Repositories::Outbox.new(tables).add(@id, **letter, by: @context.account_id)
          Jobs::SendMail.enqueue(@context.studio_id, row[:id]) if @context.settings.smtp
        end

        def beside(tables)
          {
            row: Repositories::Students.new(tables).find(@id),
            lesson: Repositories::Lessons.new(tables, @context).today(@id),
            sheet_path: Repositories::SheetLinks.new(tables).path(@id)
          }
        end

        def addressed!(row)
          return if readers(row).any?

          raise Problem.new(
                  422,
                  Phrase[
                    "server.lesson.finish_lesson.there_is_no_email_address_for",
                    name: row[:name]
                  ],
                  code: "no_address",
                  field: "send"
                )
        end

        # @return [Array<Array(String, Symbol)>] address and language of the student and of all
        #   contact persons, each address once
        def readers(row)
          own = (row[:locale] || @context.locale).to_sym
          people = [
            [row[:email].to_s, own],
            *row[:contacts].to_a.map { |one| [one["email"].to_s, (one["locale"] || own).to_sym] }
          ]
          people.reject { |address, _| address.empty? }.uniq { |address, _| address.downcase }
        end

        def letter(beside, address, recap)
          row, path, day = beside[:row], beside[:sheet_path], @context.today
          body = [
            recap,
            path &&
              Phrase[
                "server.lesson.finish_lesson.the_week_sheet",
                address: @context.settings.address,
                path: path
              ],
            @context.studio[:name]
          ].compact.join("\n\n")
          {
            recipient: address,
            subject:
              Phrase[
                "server.lesson.finish_lesson.subject",
                name: row[:name],
                day: Phrase.day(day, :day_and_month)
              ].to_s,
            body: body
          }
        end
      end
    end
  end
end
