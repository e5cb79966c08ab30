# frozen_string_literal: true

# Pages of every kind: repeats and endings as {GeneratedPage} makes them, and on
# most pages a jump with its signs, between the segments or inside a repeat.
class GeneratedRoadmap < GeneratedPage
  # @param random [Random]
  def initialize(random)
    @edges = []
    super
    stretch while @bars < 4
    @jump = random.rand(4).zero? ? nil : make_jump
  end

  # @return [Stairwell::Score::Map]
  def map = @jump ? super.with(**@jump) : super

  private

  def segment
    super
    @edges << @bars
  end

  def make_jump
    to = %i[capo segno].sample(random: @random)
    until_sign = %i[end fine coda].sample(random: @random)
    after = @bars
    signs = { segno: (to == :segno) ? [first_bar] : [] }
    case until_sign
    when :fine
      signs[:fine] = [last_bar]
    when :coda
      signs[:to_coda] = [last_bar]
      signs[:coda] = [after + 1]
      segment
    end
    { jumps: [Score::Jump.new(after: after, to: to, until_sign: until_sign)], **signs }
  end

  # The first bar of a segment, where a sign may stand.
  def first_bar =
    [1, *@edges.map { |edge| edge + 1 }].select { |bar| bar < @bars }.sample(random: @random)

  # Mostly the end of a segment, else any bar before the jump.
  def last_bar
    edges = @edges.select { |edge| edge < @bars }
    if edges.any? && @random.rand(3).positive?
      edges.sample(random: @random)
    else
      @random.rand(2..@bars - 1)
    end
  end
end
