# frozen_string_literal: true

require_relative "background"

module Stairwell
  module Server
    module Jobs
      # Loads the archive that was brought into a studio.
      class LoadArchive < Que::Job
        self.priority = WAITED_FOR

        # @param studio_id [Integer]
        # @param account_id [Integer] who brought it
        def run(studio_id, account_id)
          context = Jobs.contexts.of_studio(studio_id, account_id: account_id)
          Locales.with(context.locale) { Features::ArchiveLoad.new(context).work }
        end
      end
    end
  end
end
