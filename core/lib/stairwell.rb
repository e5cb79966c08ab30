# frozen_string_literal: true

require_relative "stairwell/value"
require_relative "stairwell/phrase/textual"
require_relative "stairwell/phrase/text"
require_relative "stairwell/phrase/day"
require_relative "stairwell/phrase/number"
require_relative "stairwell/phrase/ordinal"
require_relative "stairwell/phrase/capital"
require_relative "stairwell/phrase/list"
require_relative "stairwell/phrase/former"
require_relative "stairwell/phrase"
require_relative "stairwell/error"
require_relative "stairwell/unreadable_error"
require_relative "stairwell/contradiction_error"
require_relative "stairwell/refused_error"
require_relative "stairwell/missing_error"
require_relative "stairwell/constants"
require_relative "stairwell/dates"
require_relative "stairwell/units"
require_relative "stairwell/cautions"
require_relative "stairwell/score"
require_relative "stairwell/roadmap"
require_relative "stairwell/aspects"
require_relative "stairwell/sections"
require_relative "stairwell/practice"
require_relative "stairwell/planning"
require_relative "stairwell/progress"
require_relative "stairwell/rows"
require_relative "stairwell/recap"
require_relative "stairwell/formats"
require_relative "stairwell/studio"

# The rules of the job. Data flows one way: printed (Score) → played (Roadmap)
# → what it asks of hands, ears and eyes (Aspects) → what there is to learn (Sections) → how
# (Practice) → when (Planning) → how it goes (Progress) → what is told (Recap) → a student and what
# can be done (Studio). Each knows only those before it; Formats turn text and
# bytes into values and back. No web, no database, no clock.
module Stairwell
end
