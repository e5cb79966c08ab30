# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # The week sheet behind a private link: one student's, and nothing else.
      class Sheets
        # @param contexts [StudioContexts]
        # @param token [String] of the link
        # @return [Sheets]
        # @raise [Problem] 404 for any link that is not in force
        def self.behind(contexts, token)
          context, id = contexts.behind("sheet", token) { Repositories::SheetLinks.unknown }
          new(context) { |tables| Repositories::SheetLinks.new(tables).student_id(id) }
        end

        # @param context [StudioContext]
        # @yieldparam tables [Tables]
        # @yieldreturn [Integer] the student's id, as these tables say
        def initialize(context, &student)
          @context = context
          @student = student
        end

        # What did not change is not computed again: a phone asks often, after each tap too.
        # @return [Hash] see the contract's Sheet
        def show
          id, versions, marks, beside =
            @context.read do |tables|
              found = @student.call(tables)
              [
                found,
                Repositories::Records.versions_but_taps(tables, found, @context.today),
                *tapped(tables, found)
              ]
            end
          Remembered::OF_PROCESS
            .fetch(:sheet, versions, @context.today.to_s) { SheetFrame.new(record(id)) }
            .with(marks, beside)
        end

        # @return [Array(Hash, Array<Hash>)] what is printed, see {SheetJson#to_h}, and what was
        #   told lately
        def printed
          told = nil
          [
            SheetJson.new(
              Studio::Sheet.new(
                record { |tables| told = Repositories::Lessons.told(tables, @student.call(tables)) }
              )
            ).to_h,
            told
          ]
        end

        # @return [Hash] what {#show} shows, computed
        def to_h
          beside = nil
          record = record { |tables| beside = tapped(tables, @student.call(tables)).last }
          SheetJson.beside(SheetJson.plain(Studio::Sheet.new(record)), beside)
        end

        # @return [Hash] see the contract's Sound
        def sound(assignment_id:, step_id:, tempo: nil)
          playback, walk = Studio::Sheet.new(record).sound(assignment_id, step_id, tempo: tempo)
          playback.merge(walk: walk)
        end

        # The notes of a piece, from which the bars of a step are engraved.
        # @return [String] MusicXML
        # @raise [Problem] 404 where there is no score
        def score(assignment_id:)
          piece = record.piece(assignment_id)
          bytes = @context.read { |tables| Repositories::Pieces.new(tables).score(piece.piece_id) }
          return Formats::MusicXML::Package.text(bytes.to_s) if bytes

          map = piece.page.map
          if map.notes?
            Formats::MusicXML.write(map)
          else
            raise(Problem.not_found(Phrase["missing.score"]))
          end
        end

        # @param kind [String] repetition, struggle, hurts or undo
        # @param assignment_id [Integer, nil] nil for what is no step
        # @param key [String] from the phone; the same one twice counts once
        # @param day [String, nil] the day it is for, where that is not today
        # @param tapped_at [String, nil] when it was made, on the phone's clock
        # @param asked [Integer, nil] repetitions that stood on the phone
        # @return [Hash] what is counted of that step on that day now; see the contract's
        #   Tapped
        # @raise [Problem] 422
        def mark(
          kind:,
          key:,
          assignment_id:,
          step_id:,
          undoes: nil,
          day: nil,
          tapped_at: nil,
          asked: nil
        )
          date = day ? Problem.date(day, "day") : @context.today
          row = {
            key: key,
            assignment_id: assignment_id,
            step_id: step_id,
            day: date,
            kind: kind,
            undoes: undoes,
            asked: asked,
            tapped_at: tapped_at && moment(tapped_at, "tapped_at")
          }
          late!(date)
          marks = keep(row).map { |one| Repositories::Marks.value(one) }
          {
            assignment_id: assignment_id,
            step_id: step_id,
            day: date.to_s,
            **Studio::Tapped.of(marks)
          }
        end

        # A word to the teacher. One that waited on the phone is taken however late it comes.
        # @param key [String] from the phone; the same one twice is one message
        # @param day [String, nil] on which it was written, where that is not today
        # @param written_at [String, nil] on the phone's clock
        # @return [Array<Hash>] see the contract's SheetMessage
        # @raise [Problem] 422
        def write(key:, text:, day: nil, written_at: nil)
          row = {
            key: key,
            text: text.strip,
            day: day ? Problem.date(day, "day") : @context.today,
            written_at: written_at && moment(written_at, "written_at")
          }
          if row[:day] > @context.today
            raise Problem.new(
                    422,
                    Phrase["server.sheet.sheets.is_not_yet", day: row[:day]],
                    code: "day",
                    field: "day"
                  )
          end

          change do |tables, id|
            messages = Repositories::Messages.new(tables, id)
            unless messages.room?
              raise Problem.new(
                      422,
                      Phrase["server.sheet.sheets.many_messages_wait"],
                      code: "too_many_messages",
                      field: "text"
                    )
            end

            messages.add(**row)
            SheetJson.messages(messages.newest(Limits::MESSAGES_ON_SHEET))
          end
        end

        private

        # The first of a day has the week kept as it stands, by a job that lies with it.
        # @return [Array<Hash>] the marks of that step on that day
        def keep(row)
          change do |tables, id|
            marks = Repositories::Marks.new(tables, id)
            today = row[:day] == @context.today
            raise gone unless marks.step?(row[:assignment_id], row[:step_id], today: today)

            before = today && tables[:practice_marks].where(student_id: id, day: row[:day]).any?
            marks.add(**row)
            Jobs::MendWeek.enqueue(@context.studio_id, id) if today && !before
            marks.of(row[:assignment_id], row[:step_id], row[:day])
          end
        end

        # Who it is about is known in its transaction alone, and told when that has ended.
        def change
          about = {}
          @context.write(about: about) do |tables|
            yield tables, about[:student_id] = @student.call(tables)
          end
        end

        def gone =
          Problem.new(
            422,
            Phrase["server.sheet.sheets.this_step_is_not_on_the"],
            code: "not_on_sheet",
            field: "step_id"
          )

        def late!(date)
          return if date.between?(@context.today - Constants::LATE_TAP, @context.today)

          raise Problem.new(
                  422,
                  Phrase["server.sheet.sheets.a_tap_of_cannot_be_taken", date: date],
                  code: "late",
                  field: "day"
                )
        end

        def moment(text, field)
          Time
            .iso8601(text)
            .tap do |time|
              first, last = Dates::RANGE.minmax
              unless time.year.between?(first.year, last.year)
                raise Problem.new(
                        422,
                        Phrase[
                          "server.sheet.sheets.is_no_moment",
                          first: first.year,
                          last: last.year
                        ],
                        code: "time",
                        field: field
                      )
              end
            end
        rescue ArgumentError
          raise Problem.new(
                  422,
                  Phrase["server.sheet.sheets.is_no_time", text: text],
                  code: "time",
                  field: field
                )
        end

        # The family is spoken to in its own language.
        def record(student = @student, &) =
          Repositories::Records
            .new(@context)
            .find(student, &)
            .tap { |record| Locales.speak(record.student.locale) }

        # @return [Array(Array<Hash>, SheetJson::Beside)] rows of the marks of today's steps, and
        #   what stands beside the plan
        def tapped(tables, id)
          of_steps, others =
            Repositories::Marks.new(tables, id).of_sheet(
              @context.today,
              @context.today - Constants::LATE_TAP
            )
          messages = Repositories::Messages.new(tables, id).newest(Limits::MESSAGES_ON_SHEET)
          [
            of_steps,
            SheetJson::Beside.new(
              family: links(tables).family(id),
              messages: messages,
              told: Repositories::Lessons.told(tables, id),
              marks: others
            )
          ]
        end

        def links(tables) = Repositories::SheetLinks.new(tables)
      end
    end
  end
end
