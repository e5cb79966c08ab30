# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # When pieces of a student are ready, as it stood before the day's taps: two hundred futures,
      # the same until something else happens. So a lesson that is open can be shown again after
      # every tap.
      module Outlooks
        # @param context [StudioContext]
        # @param record [Studio::Record]
        # @return [Hash{Integer => Studio::Outlook}] by assignment
        def self.of(context, record)
          pieces = record.pieces.map { |piece| [piece.id, piece.piece_id, piece.assigned_on] }
          name = [context.studio_id, record.student.id, record.untapped, *pieces].join("/")
          Remembered::OF_PROCESS.fetch(
            :outlooks,
            name,
            record.today.to_s,
            record.settings.inspect
          ) { Studio::Outlooks.settled(record).freeze }
        end
      end
    end
  end
end
