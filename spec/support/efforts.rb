# frozen_string_literal: true

# What a job costs: keys pressed (a chord counts once), clicks and choices of the mouse, and
# seconds. Counted in the browser, over all its pages.
RSpec.shared_context "efforts counted" do
  counter = <<~JS
    for (const [event, name] of [["keydown", "keys"], ["click", "clicks"]])
      addEventListener(event, (one) => {
        if (!one.isTrusted || ["Shift", "Control", "Alt"].includes(one.key) || (event === "click" && one.detail === 0)) return;
        sessionStorage.setItem(name, Number(sessionStorage.getItem(name)) + 1);
      }, true);
  JS

  before do
    @counter =
      page.driver.browser.execute_cdp("Page.addScriptToEvaluateOnNewDocument", source: counter)[
        "identifier"
      ]
  end
  after do
    page.driver.browser.execute_cdp(
      "Page.removeScriptToEvaluateOnNewDocument",
      identifier: @counter
    )
  end

  # @return [Hash{Symbol => Integer}] keys:, clicks:, seconds: of what is done in the block; a
  #   choice in a list, which the driver makes without a mouse, is a click more
  def effort
    page.execute_script("sessionStorage.removeItem('keys'); sessionStorage.removeItem('clicks')")
    started = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    @choices = 0
    yield
    counted =
      %w[keys clicks].to_h do |name|
        [name.to_sym, page.evaluate_script("Number(sessionStorage.getItem('#{name}'))")]
      end
    counted.merge(
      clicks: counted[:clicks] + @choices,
      seconds: (Process.clock_gettime(Process::CLOCK_MONOTONIC) - started).round
    )
  end

  def select(...)
    @choices = @choices.to_i + 1
    super
  end
end
