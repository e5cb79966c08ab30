# frozen_string_literal: true

# Random pages of repeats inside repeats, made as a tree. The tree itself says
# in which order it is played, by plain recursion and without looking at a
# single sign: that is the check on the reading of the signs.
class NestedPage
  Score = Stairwell::Score

  # @return [Array<Integer>] the bars as the tree plays them
  attr_reader :played
  attr_reader :repeats, :endings

  # @param random [Random]
  def initialize(random)
    @random = random
    @bars = 0
    @repeats = []
    @endings = []
    @played = music(3).call
  end

  # @return [Stairwell::Score::Map]
  def map
    bars = Score.bars(@bars, meters: [Score::Meter.new(beats: 4, unit: 4)])
    Score::Map.new(
      title: "Nested",
      bars: bars,
      repeats: @repeats.shuffle(random: @random),
      endings: @endings.shuffle(random: @random)
    )
  end

  private

  # A few parts one after another; the first is always a plain bar, so that no
  # two repeats start in the same bar.
  # @return [Proc] plays them
  def music(depth)
    first = stretch
    more =
      Array.new(@random.rand(0..2)) do
        (depth.positive? && @random.rand(3) > 0) ? repeat(depth - 1) : stretch
      end
    -> { first.call + more.flat_map(&:call) }
  end

  def stretch
    bars = Array.new(@random.rand(1..2)) { @bars += 1 }
    -> { bars }
  end

  def repeat(depth)
    from = @bars + 1
    body = music(depth)
    return simple(from, body) if @random.rand(2) == 0

    passes = @random.rand(2..3)
    ends =
      (1..passes).map do |pass|
        # The closing sign stands at the end of the last ending but one.
        @repeats << Score::Repeat.new(from: from, to: @bars) if pass == passes
        ending(pass, depth)
      end
    -> { ends.flat_map { |last| body.call + last.call } }
  end

  def simple(from, body)
    times = @random.rand(2..3)
    @repeats << Score::Repeat.new(from: from, to: @bars, times: times)
    -> { Array.new(times) { body.call }.flatten }
  end

  def ending(pass, depth)
    from = @bars + 1
    inside = (depth.positive? && @random.rand(4) == 0) ? music(depth - 1) : stretch
    @endings << Score::Ending.new(passes: [pass], from: from, to: @bars)
    inside
  end
end
