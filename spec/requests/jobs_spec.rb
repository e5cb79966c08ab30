# frozen_string_literal: true

require_relative "../spec_helper"
require "timeout"

# Jobs that take as long as an example wants them to.
module SlowJobs
  STARTED = Queue.new
  GATE = Queue.new

  # Planning, for all that the crew knows.
  class Long < Que::Job
    def run(name)
      STARTED << name
      GATE.pop
    end
  end

  # Somebody looks at the screen until it is done.
  class WaitedFor < Que::Job
    self.priority = Stairwell::Server::Jobs::WAITED_FOR

    def run(name) = STARTED << name
  end

  # Mail.
  class Letter < Que::Job
    self.priority = Stairwell::Server::Jobs::MAIL

    def run(name) = STARTED << name
  end
end

RSpec.describe "Jobs" do
  before do
    TestApp.app
    [SlowJobs::STARTED, SlowJobs::GATE].each(&:clear)
    @crew = Stairwell::Server::Jobs.start
  end

  after do
    20.times { SlowJobs::GATE << :go }
    @crew.stop
  end

  def started = Timeout.timeout(20) { SlowJobs::STARTED.pop }

  it "send mail, and do what a person waits for, while others are worked on for long" do
    4.times { |at| SlowJobs::Long.enqueue("long #{at}") }
    expect(started).to start_with("long")
    SlowJobs::Letter.enqueue("letter")
    expect(started).to eq("letter")
    SlowJobs::WaitedFor.enqueue("waited for")
    expect(started).to eq("waited for")
  end

  it "are worked on again once every connection to the database was lost, in the same process" do
    SlowJobs::Letter.enqueue("before")
    expect(started).to eq("before")
    2.times do |at|
      TestApp::OWNER.get(
        Sequel.lit(
          "count(pg_terminate_backend(pid)) FROM pg_stat_activity WHERE datname = current_database() AND usename IN ('stairwell_app', 'stairwell_queue') AND pid <> pg_backend_pid()"
        )
      )
      Timeout.timeout(10) do
        SlowJobs::Letter.enqueue("after #{at}")
      rescue Sequel::DatabaseError
        retry
      end
      expect(started).to eq("after #{at}")
    end
  end
end
