# frozen_string_literal: true

# Pages with random repeats and endings, side by side and not nested, whose
# playing order an engraving library can be asked for.
class GeneratedPage
  Score = Stairwell::Score

  # @param random [Random]
  def initialize(random)
    @random = random
    @bars = 0
    @repeats = []
    @endings = []
    random.rand(1..5).times { segment }
    stretch if @bars < 2
  end

  # @return [Stairwell::Score::Map]
  def map
    Score::Map.new(
      title: "Generated",
      bars: Score.bars(@bars, meters: [Score::Meter.new(beats: 4, unit: 4)]),
      repeats: @repeats,
      endings: @endings
    )
  end

  private

  def segment
    case @random.rand(4)
    when 0
      stretch
    when 1
      repeat(times: nil)
    when 2
      repeat(times: 3)
    else
      repeat_with_endings(@random.rand(2..3))
    end
  end

  def stretch(bars = @random.rand(1..4))
    @bars += bars
  end

  # The first repeat of a page may lack its opening sign.
  def opening
    (@repeats.empty? && @bars.zero?) ? [nil, 1].sample(random: @random) : @bars + 1
  end

  def repeat(times:)
    from = opening
    stretch
    @repeats << Score::Repeat.new(from: from, to: @bars, times: times)
  end

  def repeat_with_endings(passes)
    from = opening
    stretch
    (1..passes).each do |pass|
      first = @bars + 1
      stretch(@random.rand(1..2))
      @endings << Score::Ending.new(passes: [pass], from: first, to: @bars)
      @repeats << Score::Repeat.new(from: from, to: @bars) if pass == passes - 1
    end
  end
end
