# frozen_string_literal: true

module Stairwell
  module Server
    module Repositories
      # The archive that a studio is being made from: its file until a job has read it, and how far
      # that is.
      class ArchiveLoads
        # Bytes of a part of the file. Own choice: a statement's text is twice as long.
        PART_BYTES = 1024 * 1024
        # States in which a job is still to do something.
        ACTIVE = %w[waiting reading loading].freeze
        private_constant :PART_BYTES

        # @param tables [Tables]
        def initialize(tables)
          @tables = tables
        end

        # @return [Hash, nil] :state, :done, :total, :answer, :account_id
        def find = @tables[:archive_loads].first

        # @return [Boolean] whether a job is at it, or will be
        def active? = @tables[:archive_loads].where(state: ACTIVE).any?

        # Takes a file in, in place of the one before.
        # @param path [String]
        # @param account_id [Integer] who loads it
        # @return [void]
        def add(path, account_id)
          @tables[:archive_loads].delete
          @tables.add(:archive_loads, account_id: account_id, state: "waiting")
          File.open(path, "rb") do |file|
            0.step.each do |number|
              part = file.read(PART_BYTES) or break
              @tables.add(:archive_parts, number: number, content: Sequel.blob(part))
            end
          end
        end

        # @param path [String] where the file is put together again
        # @return [void]
        def write(path)
          File.open(path, "wb") do |file|
            numbers = @tables[:archive_parts].order(:number).select_map(:number)
            numbers.each do |number|
              file << @tables[:archive_parts].where(number: number).get(:content)
            end
          end
        end

        # @return [void]
        def note(**values)
          values[:answer] = Sequel.pg_jsonb(values[:answer]) if values.key?(:answer)
          @tables[:archive_loads].update(changed_at: Sequel.function(:clock_timestamp), **values)
        end

        # Says how it ended; the file is not needed any more.
        # @param state [String] "loaded" or "failed"
        # @param answer [Hash] what is told of it
        # @return [void]
        def end(state, answer)
          @tables[:archive_parts].delete
          note(state: state, answer: answer)
        end
      end
    end
  end
end
