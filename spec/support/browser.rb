# frozen_string_literal: true

require "selenium-webdriver"
require "tmpdir"

module Browser
  FLAGS = %w[
    --headless=new
    --no-sandbox
    --disable-gpu
    --disable-quic
    --no-first-run
    --disable-background-networking
    --disable-component-update
    --disable-sync
    --hide-scrollbars
    --force-prefers-reduced-motion
    --force-color-profile=srgb
    --disable-features=BackForwardCache,SpareRendererForSitePerProcess
  ].freeze

  module_function

  # @return [Selenium::WebDriver::Chrome::Options] Debian's Chromium, headless
  def options(width: 1280, height: 800)
    Selenium::WebDriver::Chrome::Options
      .new(binary: "/usr/bin/chromium")
      .tap do |options|
        [
          *FLAGS,
          "--window-size=#{width},#{height}",
          "--user-data-dir=#{Dir.mktmpdir("stairwell-chromium")}"
        ].each { |flag| options.add_argument(flag) }
      end
  end

  # Both paths are given, so that no driver manager looks for anything.
  # @return [Selenium::WebDriver::Service]
  def service = Selenium::WebDriver::Service.chrome(path: "/usr/bin/chromedriver")

  # @return [Selenium::WebDriver::Driver]
  def driver(**size) = Selenium::WebDriver.for(:chrome, options: options(**size), service: service)
end
