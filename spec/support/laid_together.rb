# frozen_string_literal: true

# A job lies in the transaction of what it is about, so that a process killed in between leaves
# nothing undone: looked at wherever an example has one put.
module LaidTogether
  # Nothing else is kept with it.
  ALONE = ["forgotten"].freeze

  def enqueue(*given, **more)
    if name.start_with?("Stairwell::") && !ALONE.include?(given.first) &&
         !Stairwell::Server::Jobs.contexts.at_work.db.in_transaction?
      raise "#{name} was put outside of a transaction"
    end

    super
  end

  Que::Job.singleton_class.prepend(self)
end
