# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # When pieces of a student are ready: two hundred futures, the same until the record is another.
      module Outlooks
        # @param context [StudioContext]
        # @param record [Studio::Record]
        # @return [Hash{Integer => Studio::Outlook}] by assignment
        def self.of(context, record)
          name = [context.studio_id, record.student.id, record.version].join("/")
          Remembered::OF_PROCESS.fetch(:outlooks, name, record.today.to_s, record.settings.inspect) { Studio::Outlooks.new(record).to_h.freeze }
        end
      end
    end
  end
end
