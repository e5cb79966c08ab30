# frozen_string_literal: true

# Every sheet that any example is shown is computed once more: what was remembered must be
# what it would be now.
module Afresh
  # A mark may come in between the two.
  TRIES = 3

  class << self
    attr_accessor :off

    # What is counted is the request alone.
    def without
      self.off = true
      yield
    ensure
      self.off = false
    end
  end

  def show
    shown = super
    return shown if Afresh.off || same?(shown)

    (1...TRIES).each { return shown if same?(shown = super) }
    raise "A sheet was shown as it was before: #{JSON.generate(shown)[0, 400]}"
  end

  private

  def same?(shown) = JSON.generate(to_h) == JSON.generate(shown)

  Stairwell::Server::Features::Sheets.prepend(self)
end
