# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # Students' records: the one place where they are put together, in a fixed number
      # of statements however many students there are and whatever happened before.
      # The rows are read in one short snapshot; values are made of them afterwards.
      class Records
        # Rows as they were read.
        Rows =
          Stairwell.value(
            :students,
            :assignments,
            :happened,
            :overrides,
            :weeks,
            :extra_work,
            :appointments,
            :routines,
            :pages,
            :also
          )

        # All rows about a student and the studio's own move the student's `plan_version`, taps
        # only `marks_version`: of taps those before today are counted, as they come late; they
        # are only added to. Pieces, the teacher's changes of them and routines move neither;
        # `xmin` is PostgreSQL's number of the transaction that wrote a row: no two states of one
        # have the same. That of the link tells a database apart that was filled again.
        VERSIONS = <<~SQL
          SELECT concat_ws(' ', students.studio_id, students.id, students.plan_version,
            (SELECT count(*) FROM practice_marks WHERE practice_marks.studio_id = students.studio_id AND practice_marks.student_id = students.id
              AND practice_marks.day >= :since AND practice_marks.day < :today),
            (SELECT string_agg(sheet_links.id || ':' || sheet_links.xmin, ',' ORDER BY sheet_links.id) FROM sheet_links
              WHERE sheet_links.studio_id = students.studio_id AND sheet_links.student_id = students.id AND sheet_links.withdrawn_at IS NULL), '/',
            (SELECT string_agg(pieces.id || ':' || pieces.xmin, ',' ORDER BY pieces.id) FROM assignments
              JOIN pieces ON pieces.studio_id = assignments.studio_id AND pieces.id = assignments.piece_id
              WHERE assignments.studio_id = students.studio_id AND assignments.student_id = students.id),
            '/', (SELECT max(id) FROM piece_layers WHERE piece_layers.studio_id = students.studio_id AND piece_layers.teacher_id = students.teacher_id),
            '/', (SELECT string_agg(id || ':' || routines.xmin, ',' ORDER BY id) FROM routines WHERE routines.studio_id = students.studio_id))
          FROM students WHERE students.studio_id = :studio AND students.id = :student
        SQL
        private_constant :VERSIONS

        # @param tables [Tables]
        # @param id [Integer] of a student
        # @param today [Date]
        # @return [String] the same as long as the student's record is, but for taps of that day,
        #   on the same day
        # @raise [MissingError]
        def self.versions_but_taps(tables, id, today)
          since = today - Constants::LATE_TAP - 1
          tables
            .db
            .fetch(VERSIONS, studio: tables.studio_id, student: id, today: today, since: since)
            .single_value || raise(MissingError, Phrase["missing.student"])
        end

        # @param context [StudioContext]
        def initialize(context)
          @context = context
        end

        # @param student [Integer, #call] id, or what finds it in the tables
        # @param also [Integer, nil] an assignment that ended and is wanted too
        # @yieldparam tables [Tables] to read more in the same snapshot
        # @return [Studio::Record]
        # @raise [MissingError]
        def find(student, also: nil)
          rows =
            @context.read do |tables|
              id = student.respond_to?(:call) ? student.call(tables) : student
              yield tables if block_given?
              fetch(tables, [id], true, also)
            end
          Build.new(@context, rows).records.first || raise(MissingError, Phrase["missing.student"])
        end

        # @param ids [Array<Integer>, nil] nil for the whole studio
        # @param pages [Boolean] whether pages are wanted: lists do without
        # @yieldparam tables [Tables] for what else is read of the same state
        # @return [Array<Studio::Record>] in the order of the week's lessons
        def load(ids, pages: true)
          rows =
            @context.read do |tables|
              yield tables if block_given?
              fetch(tables, ids, pages, nil)
            end
          Build.new(@context, rows).records
        end

        private

        def fetch(tables, ids, pages, also)
          students = tables[:students].order(:lesson_weekday, :lesson_time, :name)
          students = (ids ? students.where(id: ids) : students).all
          ids = students.map { |row| row[:id] }
          assignments = assignments(tables, ids, also)
          of = ->(table) { tables[table].where(student_id: ids) }
          Rows.new(
            students: students,
            assignments: assignments,
            happened:
              Happened.rows(tables, ids, assignments.map { |row| row[:id] }, @context.today),
            overrides: of[:week_overrides].all,
            weeks: weeks(tables, ids),
            extra_work: of[:extra_work].where(ended_on: nil).order(:id).all,
            appointments: Appointments.rows(tables, ids, @context.today - Limits::APPOINTMENT_DAYS),
            routines: tables[:routines].order(:id).all,
            pages: pages ? Pages.new(tables).rows(assignments, students) : nil,
            also: also
          )
        end

        # What is asked of an assignment, its steps aside, which come as text.
        ASSIGNMENT =
          %i[
            id
            student_id
            piece_id
            revision
            routine
            hand_order
            target_tempo
            priority
            introduce_first
            due_on
            assigned_at
            choices
            ended
            keep_for
          ].map { |name| Sequel[:assignments][name] }.freeze
        private_constant :ASSIGNMENT

        # Pieces in hand, those kept ready for a date, and one that is asked for; with the
        # first key of the page.
        def assignments(tables, ids, also)
          tables.statement(
            :assignments,
            Tables.ids(ids),
            @context.today,
            also.to_i
          ) do |all, students, today, id|
            wanted =
              Sequel.|(
                { ended: nil },
                Sequel[:keep_for] >= today,
                { Sequel[:assignments][:id] => id }
              )
            all[:assignments]
              .where(student_id: Tables.any(students))
              .where(wanted)
              .join(:pieces, studio_id: :studio_id, id: :piece_id)
              .left_join(
                :map_revisions,
                studio_id: Sequel[:assignments][:studio_id],
                piece_id: Sequel[:assignments][:piece_id],
                revision: Sequel[:assignments][:revision]
              )
              .select(
                *ASSIGNMENT,
                Sequel.cast(:steps, :text).as(:steps),
                :title,
                Sequel[:pieces][:revision].as(:newest_revision),
                Sequel.lit("map -> 'keys' -> 0 ->> 'key'").as(:key)
              )
              .order(Sequel[:assignments][:id])
          end
        end

        # Days with something to do, asked of each week, while few are looked into.
        PLANNED_ON =
          "ARRAY(SELECT (day ->> 'date')::date FROM jsonb_array_elements(plan -> 'days') AS day WHERE jsonb_array_length(day -> 'items') > 0)"
        private_constant :PLANNED_ON

        # The last plan of each week, with the day the first plan of it began. What was
        # left out of weeks long over is the larger part of them, and nobody asks for it.
        # Plans come as text: they are taken apart when one is looked into.
        def weeks(tables, ids)
          since, over = @context.today - 7 * Limits::WEEKS_READ, @context.today - 14
          soon = @context.today + Limits::DAYS_AHEAD
          tables.statement(
            :weeks,
            Tables.ids(ids),
            since,
            over,
            soon
          ) do |all, students, first, past, last|
            # What was planned while the clock ran far ahead is no week of theirs.
            recent =
              all[:week_plans].where(student_id: Tables.any(students)).where(
                (Sequel[:next_lesson] > first) & (Sequel[:starts] <= last)
              )
            begins = Sequel.function(:min, :starts).over(partition: %i[student_id next_lesson])
            newest =
              recent
                .select(:id, :student_id, :next_lesson, :plan, begins.as(:begins))
                .distinct(:student_id, :next_lesson)
                .order(:student_id, :next_lesson, Sequel.desc(:id))
            plan =
              Sequel.lit(
                "(CASE WHEN next_lesson < ? THEN plan - 'left_out' ELSE plan END)::text",
                past
              ).as(:plan)
            newest.from_self(alias: :newest).select(
              :id,
              :student_id,
              :next_lesson,
              :begins,
              plan,
              Sequel.lit(PLANNED_ON).as(:planned_on)
            )
          end
        end

        # Makes records of rows.
        class Build
          # @param context [StudioContext]
          # @param rows [Rows]
          def initialize(context, rows)
            @context = context
            @rows = rows
            @of =
              %i[assignments happened overrides weeks extra_work appointments].to_h do |name|
                [name, rows[name].group_by { |row| row[:student_id] }]
              end
          end

          # @return [Array<Studio::Record>]
          def records = @rows.students.map { |row| record(row) }

          private

          def of(name, student) = @of.fetch(name).fetch(student[:id], [])

          def record(row)
            happened = Happened.new(of(:happened, row), @context.account_id)
            in_hand, kept =
              of(:assignments, row).partition { |one| one[:ended].nil? || one[:id] == @rows.also }
            overrides = of(:overrides, row).to_h { |one| [one[:next_lesson], week_overrides(one)] }
            asked = Studio::Asked.in(overrides.values.flat_map(&:overrides))
            Studio::Record.new(
              today: @context.today,
              moment: [
                @context.clock.now,
                happened.last&.then { |time| time + Rational(1, 1_000_000) }
              ].compact.max,
              version: row[:record_version],
              untapped: "#{row[:plan_version]}+#{happened.marks_before(@context.today)}",
              settings: settings,
              student: Students.value(row, @context.studio[:locale]),
              pieces: in_hand.map { |one| piece(one, row, happened.events, asked) },
              kept_pieces: kept.filter_map { |one| kept_piece(one) },
              weeks: Studio::Weeks.new(of(:weeks, row).map { |one| week(one) }),
              overrides: overrides,
              extra_work: of(:extra_work, row).map { |one| extra_work(one) },
              practised_on: happened.practised_on,
              lessons: happened.lessons,
              heard_today: happened.heard_on(@context.today),
              stumbled: happened.stumbled,
              introduced_today: happened.introduced_on(@context.today),
              routines: routines,
              known_keys: happened.keys,
              appointments: of(:appointments, row).map { |one| Appointments.value(one) }
            )
          end

          def learnt = @learnt ||= Learnt.of(@context.studio, @context.today)

          def settings
            @settings ||=
              Studio::Settings.new(
                name: @context.studio[:name],
                locale: @context.locale,
                caution: @context.studio[:caution],
                holidays: Planning::Away.load(@context.studio[:holidays].to_a.map(&:to_h)),
                habit: Planning::Habit::Seen.load(learnt[:seen].to_h),
                promises: Planning::Promises.load(learnt[:promises].to_h)
              )
          end

          def routines =
            @routines ||=
              Practice::ROUTINES.merge(
                @rows.routines.to_h { |row| [Routines.key(row), Routines.value(row)] }
              )

          def piece(row, student, events, asked)
            pages = @rows.pages&.of(row, student)
            Studio::PieceInHand.new(
              **row.slice(
                :id,
                :piece_id,
                :title,
                :revision,
                :newest_revision,
                :routine,
                :hand_order,
                :target_tempo,
                :priority,
                :introduce_first,
                :due_on,
                :key
              ),
              assigned_on: @context.date_of(row[:assigned_at]),
              choices: row[:choices].to_hash,
              page: pages&.first,
              newest_page: pages&.last,
              progress:
                Progress.piece(
                  steps(row),
                  [*events[row[:id]], *asked[row[:id]]],
                  introduce_first: row[:introduce_first]
                )
            )
          end

          def kept_piece(row)
            return unless row[:keep_for]

            Studio::KeptPiece.new(**row.slice(:id, :title, :keep_for), steps: steps(row))
          end

          def steps(row) =
            Remembered::OF_PROCESS.fetch(:steps, row[:steps]) do
              JSON.parse(row[:steps]).map { |step| Practice::Step.from_data(step) }.freeze
            end

          def week_overrides(row) =
            Studio::WeekOverrides.new(
              overrides: row[:overrides].map { |one| Planning::OverrideDocument.load(one.to_hash) },
              version: row[:version]
            )

          def week(row) =
            Studio::Weeks::Kept.new(
              **row.slice(:id, :begins, :next_lesson),
              planned_on: row[:planned_on].to_a,
              week: -> { planned_week(row[:plan]) }
            )

          def planned_week(plan) =
            Remembered::OF_PROCESS.fetch(:week, plan) do
              Planning::WeekDocument.load(JSON.parse(plan))
            end

          def extra_work(row) = ExtraWorks.value(row)
        end
        private_constant :Build
      end
    end
  end
end
