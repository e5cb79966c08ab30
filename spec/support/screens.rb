# frozen_string_literal: true

# The screen of another machine, in the browser at the desk: its size, and a finger instead of a
# mouse.
RSpec.shared_context "other screens" do
  def screen(width, height, coarse: false)
    browser = page.driver.browser
    browser.execute_cdp(
      "Emulation.setDeviceMetricsOverride",
      width: width,
      height: height,
      deviceScaleFactor: 1,
      mobile: coarse
    )
    browser.execute_cdp(
      "Emulation.setEmulatedMedia",
      features: [{ name: "pointer", value: coarse ? "coarse" : "fine" }]
    )
    browser.execute_cdp("Emulation.setTouchEmulationEnabled", enabled: coarse)
  end

  after do
    browser = page.driver.browser
    browser.execute_cdp("Emulation.clearDeviceMetricsOverride")
    browser.execute_cdp("Emulation.setEmulatedMedia", features: [])
    browser.execute_cdp("Emulation.setTouchEmulationEnabled", enabled: false)
  end
end
