# frozen_string_literal: true

module Stairwell
  module Server
    # Who may do what: the one table of it. Every operation of the contract stands in it once;
    # docs/people.md shows the same.
    module Rights
      ROLES = %w[owner teacher assistant].freeze

      # What each role may do. What is done to a student can be kept to the student's own
      # teacher by a setting of the studio.
      MAY = {
        read: ROLES,
        hear: ROLES,
        change: %w[owner teacher],
        teach: %w[owner teacher],
        run: %w[owner]
      }.freeze
      # What is about one student, by whose teacher it may be done where the studio says so.
      ABOUT_STUDENT = %i[hear change].freeze

      # Operations of the contract. :door is before anyone is signed in and what a person
      # does with their own account.
      OPERATIONS = {
        door: %w[
          health
          session
          login
          logout
          forgotten
          resetPassword
          changePassword
          changeAddress
          confirmAddress
          signIns
          sheet
          stepSound
          stepScore
          sheetPdf
          mark
          writeMessage
          openStudio
          invitation
          join
          chooseStudio
          calendar
          ownCalendar
          renewOwnCalendar
          withdrawOwnCalendar
        ],
        read: %w[
          news
          pieces
          readScript
          piece
          draft
          revisions
          revision
          sound
          known
          drill
          keepDrill
          score
          pencilPdf
          learners
          exportPiece
          students
          student
          previewAssignment
          waysOut
          backwards
          suits
          introducing
          extraWorkGiven
          routines
          tryRoutine
          today
          weekPdf
          weeksPdf
          outbox
          unsent
          lesson
          offer
          studio
          studioSettings
          people
          timetable
          covers
          standIn
          whileAway
          classes
          showClass
          classLesson
          messages
          keeping
        ],
        hear: %w[
          writeLesson
          finishLesson
          reopenLesson
          hear
          tick
          lend
          takeBack
          attend
          lookThrough
          readMessage
          sendAgain
          hearInClass
          judge
          finishClassLesson
        ],
        change: %w[
          changeStudent
          assignPiece
          changePiece
          introduce
          simplify
          addExtraWork
          changeExtraWork
          endExtraWork
          changeWeek
          planAgain
          takeOption
          planBackwards
          renewLink
          withdrawLink
          renewPiece
          takeBackPage
          endPiece
          studentLeaves
          studentReturns
          studentPauses
          studentGoesOn
          changeLesson
          addLesson
          changeFamily
          consent
          renewCalendar
          withdrawCalendar
        ],
        teach: %w[
          exportPages
          loadPages
          typePiece
          loadScore
          loadOtherScore
          mergePieces
          deletePiece
          restorePiece
          changeScript
          copyRoutine
          changeRoutine
          addStudent
          addStudents
          readStudents
          planEveryone
          addCover
          withdrawCover
          addClass
          changeClass
          endClass
          addUnit
          endUnit
          choosePiece
        ],
        run: %w[
          exportArchive
          loadArchive
          archiveLoad
          changeKeeping
          keepLonger
          history
          exportTable
          exportStudent
          eraseStudent
          stopErasing
          changeStudio
          readHolidays
          invite
          withdrawInvitation
          changePerson
          removePerson
        ]
      }.freeze
      # What takes records away, and what shows one student's: of one whom one does not teach it is
      # noted.
      TAKING = %w[exportPages exportTable exportStudent exportArchive].freeze
      READING = %w[student lesson messages weekPdf].freeze
      # These name their students in what is sent, mean a whole class or a letter: there each
      # student's teacher is looked for by the action.
      IN_CLASS = %w[hearInClass judge finishClassLesson sendAgain].freeze
      NEEDED =
        OPERATIONS
          .flat_map { |right, operations| operations.map { |operation| [operation, right] } }
          .to_h
          .freeze
      private_constant :NEEDED

      module_function

      # @param operation [String] of the contract
      # @return [Symbol] the right it takes
      # @raise [KeyError] for one nobody thought of
      def needed(operation) = NEEDED.fetch(operation)

      # @param role [String]
      # @return [Array<Symbol>] what it may do
      def of(role) = MAY.select { |_, roles| roles.include?(role) }.keys

      # Whoever teaches them every week, holds a lesson of theirs today or stands in for one
      # who does, is their teacher.
      # @param context [StudioContext]
      # @param tables [Tables]
      # @param student [Hash] row
      # @return [Array<Symbol>] what may be done with that student
      def with_student(context, tables, student)
        among(context) { Repositories::Students.new(tables).teachers_on(student, context.today) }
      end

      # The same where the student's teachers are known.
      # @param context [StudioContext]
      # @yieldreturn [Array<Integer>] accounts; not asked where it makes no difference
      # @return [Array<Symbol>]
      def among(context)
        all = of(context.role) & ABOUT_STUDENT
        (!own_only?(context) || yield.include?(context.account_id)) ? all : []
      end

      # @param context [StudioContext]
      # @return [Boolean] whether whose student it is makes a difference
      def own_only?(context) = context.role == "teacher" && context.studio[:own_students_only]

      # For what is about a student though its address does not say so.
      # @raise [Problem] 403 where that student's work is not theirs to change
      def with_student!(context, tables, student, right = :change)
        unless with_student(context, tables, student).include?(right)
          raise Problem.new(403, Phrase["server.rights.not_your_student"], code: "not_allowed")
        end
      end
    end
  end
end
