# frozen_string_literal: true

module Stairwell
  module Server
    # Every number that is a choice of the server's, with its unit and its reason; those of
    # the rules are {Stairwell::Constants}.
    module Limits
      # Days ahead in which the next day with lessons is looked for. Own choice.
      DAYS_AHEAD = 60
      # Bars by name where one can say that it did not go. Own choice: more are not shown.
      BARS_BY_NAME = 60
      # Weeks back whose plans are read. Own choice: a term and some.
      WEEKS_READ = 16
      # Changes one person makes without a longer pause than this, in minutes, are shown as
      # one. Own choice.
      PAUSE = 15
      # Times a change is computed again, where someone was faster, before the client is
      # told to. Own choice.
      TRIES = 20
      # Seconds between two of them at most. Own choice: about as long as a change is computed.
      TRY_PAUSE = 0.4
      # Seconds after which a run over all students counts as lost. Own choice: the largest
      # studio takes some minutes.
      PLANNING_SECONDS = 3_600
      # A number of our own, by which PostgreSQL tells locks of this kind from others.
      PLANNING_LOCK = 4_310
      # Students whose summaries are made from one snapshot. Own choice: a snapshot of some
      # seconds at the most.
      SUMMARIES_AT_ONCE = 8
      # Rounds of summaries before a job stops. Own choice: far more than any studio needs.
      SUMMARY_ROUNDS = 400
      # Bytes of a request's JSON. Own choice: many times the longest page script.
      JSON_BYTES = 1024 * 1024
      # The same where nobody has signed in. Own choice: a tap or a sign-in has some hundred.
      OPEN_BYTES = 16 * 1024
      # Seconds to wait for the database: to be connected, for a connection that is free, for
      # a statement, and for what others hold. Own choice: a page takes some milliseconds.
      CONNECT_SECONDS = 3
      POOL_SECONDS = 5
      STATEMENT_SECONDS = 30
      LOCK_SECONDS = 10
      # Seconds after which a client may try again when the database is away. Own choice.
      RETRY_SECONDS = 2
      # Files from outside that are read at once, each with so many seconds of computing and
      # bytes of memory, and of what it makes. Own choice: the longest score that is taken
      # needs a tenth of it.
      FILES_AT_ONCE = 2
      FILE_SECONDS = 20
      FILE_MEMORY = 1536 * 1024 * 1024
      FILE_OUT = 128 * 1024 * 1024
      # Letters of texts whose values a process keeps. Own choice: a value takes some ten
      # times as much memory, and a day's lessons have a fifth of it.
      REMEMBERED_LETTERS = 4_000_000
      # Bytes of an address's path and of its query. Own choice: the longest has some hundred.
      PATH_BYTES = 400
      QUERY_BYTES = 2_000
      # Values in a request's JSON, letters of a text, lists and objects one inside the
      # other. Own choice: the contract's longest script and lists have room.
      VALUES = 5_000
      LETTERS = 100_000
      NESTED = 12
      # Seconds for which a listener waits for news. Own choice: shorter than proxies wait.
      NEWS_SECONDS = 25
      # Listeners of a process at once. Own choice: each is a socket and no thread.
      LISTENERS = 4_000
      # Seconds for which news is kept, how many at most, and after how many it is looked for what
      # is too old. Own choice: whoever was away longer loads everything anew.
      NEWS_KEPT = 3_600
      NEWS_AT_MOST = 100_000
      NEWS_CLEARED_EVERY = 200
      # Sign-ins from one address in so many seconds. Own choice.
      SIGN_INS = { limit: 20, period: 60 }.freeze
      # The same for what a page asks before anyone has signed in. Own choice: a class of devices
      # behind one address opens the page at the hour.
      OPENED = { limit: 240, period: 60 }.freeze
      # Requests for private links from one address in so many seconds. Own choice: a
      # family's phone asks for some a minute.
      SHEETS = { limit: 300, period: 60 }.freeze
      # Wrong passwords for an address, or from a known device, before no more are tried.
      # Own choice.
      MOST_FAILURES = 8
      # Minutes until they are tried again. Own choice.
      LOCKED_MINUTES = 15
      # Characters of a password at least (OWASP ASVS 2.1.1), bytes at most (bcrypt takes no
      # more).
      PASSWORD = (12..72)
      # Seconds until a link is mailed to the same person again. Own choice.
      MAIL_AGAIN = 60
      # Steps that stand side by side in a class lesson. Own choice: what fits a screen.
      CLASS_COLUMNS = 10
      # Recaps on the sheet: the last one, and those before it. Own choice: a month of lessons.
      RECAPS_ON_SHEET = 4
      # Bytes of an archive, of its list, and of what it comes to unpacked; how deep its JSON is.
      # Own choice: ten times the largest studio tried.
      ARCHIVE_BYTES = 120 * 1024 * 1024
      ARCHIVE_LIST_BYTES = 8 * 1024 * 1024
      ARCHIVE_UNPACKED = 256 * 1024 * 1024
      ARCHIVE_NESTED = 40
      # Rows of an archive. Own choice: fifty times the demo's, some minutes of loading.
      ARCHIVE_ROWS = 600_000
      # Days for which another stands in, at most: a term. Own choice.
      COVER_DAYS = 120
      # Absences that are kept of a student, as the contract has it.
      ABSENCES = 20
      # Days before and after today that a calendar tells of. Own choice.
      CALENDAR_DAYS = (14..180)
      # Lessons ahead that are shown with a student. Own choice.
      LESSONS_AHEAD = 6
      # Exercises and other work given before that are offered again. Own choice.
      GIVEN = 60
      # Days back of which single lessons are read with a student. Own choice.
      APPOINTMENT_DAYS = 60
      # A family's messages that wait to be read, and that are shown to a teacher and on the
      # sheet. Own choice: one a day until the next lesson, and some more.
      MESSAGES_UNREAD = 40
      MESSAGES_SHOWN = 60
      MESSAGES_ON_SHEET = 8
      # Days for which an invitation opens. Own choice.
      INVITED_DAYS = 14
      # Sign-ins and the like that are shown to a person. Own choice.
      SIGN_INS_SHOWN = 20
      # Seconds a session may rest, and be old; and where a person asked to stay signed in.
      # Own choice: a day's lessons, and a term's.
      SIGNED_IN = { rest: 12 * 3600, age: 7 * 86_400 }.freeze
      REMEMBERED = { rest: 30 * 86_400, age: 180 * 86_400 }.freeze
      # Seconds for which a device that was signed in is known. Own choice: a year.
      DEVICE_SECONDS = 365 * 86_400
    end
  end
end
