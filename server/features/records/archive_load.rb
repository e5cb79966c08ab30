# frozen_string_literal: true

module Stairwell
  module Server
    module Features
      # An archive somebody brought, from the upload to what became of it: a job reads it.
      class ArchiveLoad
        # Where none was brought.
        NONE = { state: "none", done: 0, total: 0 }.freeze
        private_constant :NONE

        # @param context [StudioContext]
        def initialize(context)
          # What was loaded is noted in the history, not what was tried.
          @context = context.with(act: nil)
        end

        # @return [Hash] see the contract's ArchiveLoad
        def show
          row = @context.read { |tables| Repositories::ArchiveLoads.new(tables).find } or
            return NONE
          { **row.slice(:state, :done, :total), **row[:answer].to_h.transform_keys(&:to_sym) }
        end

        # @param path [String] of the file, of which nothing was read yet
        # @return [Hash] as {#show}
        # @raise [Problem] 409 where the studio is not empty, or one is being loaded
        def bring(path)
          @context.write do |tables|
            LoadArchive.empty!(tables)
            loads = Repositories::ArchiveLoads.new(tables)
            raise Problem.new(409, Phrase["server.archive.busy"], code: "busy") if loads.active?

            loads.add(path, @context.account_id)
            Jobs::LoadArchive.enqueue(@context.studio_id, @context.account_id)
          end
          show
        end

        # Does what a job does: whatever is wrong with the file is told to who brought it.
        # @return [void]
        def work
          return unless @context.read { |tables| Repositories::ArchiveLoads.new(tables).active? }

          Dir.mktmpdir("stairwell-archive") { |folder| load(folder) }
        rescue Problem, Error => error
          failed(error.is_a?(Problem) ? error : Problem.of(error))
        rescue *Guards::Safety::AWAY
          raise # it is tried again
        rescue StandardError => error
          failed(Problem.new(500, Phrase["server.archive.our_mistake"], code: "our_mistake"))
          raise error
        end

        private

        def load(folder)
          file = File.join(folder, "archive.zip")
          @context.read { |tables| Repositories::ArchiveLoads.new(tables).write(file) }
          note(state: "reading")
          list = ForeignFile.archive(file, folder)
          LoadArchive
            .new(@context, folder, list)
            .call { |done, total| note(state: "loading", done: done, total: total) }
        end

        # Beside the loader's transaction, so that it is seen while that goes on.
        def note(**values) = Thread.new { write { |loads| loads.note(**values) } }.join

        def failed(problem) =
          write { |loads| loads.end("failed", { code: problem.code, detail: problem.message }) }

        def write =
          @context.write(about: {}) { |tables| yield Repositories::ArchiveLoads.new(tables) }
      end
    end
  end
end
