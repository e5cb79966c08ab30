# frozen_string_literal: true

require "yaml"
require_relative "../spec_helper"

RSpec.describe "The contract" do
  let(:contract) { YAML.safe_load_file(File.expand_path("../../api/openapi.yaml", __dir__)) }
  let(:operations) do
    contract["paths"].flat_map do |path, item|
      item.except("parameters").map { |method, operation| [method, path, operation] }
    end
  end

  it "describes every route, and every route is described" do
    described = operations.map { |method, path, _| [method.upcase, path.gsub(/\{(\w+)\}/, ':\1')] }
    routes =
      Stairwell::Server::Api.routes.flat_map do |method, all|
        all.map { |pattern, *| [method, pattern.to_s] }
      end
    routes.reject! { |method, _| method == "HEAD" }
    expect(
      described - Stairwell::Server::Auth::ROUTES.values.map { |path| ["POST", "/api/#{path}"] }
    ).to match_array(routes) # those are Rodauth's
  end

  it "asks for a session everywhere but at the door and on private links" do
    open =
      operations.select { |_, _, operation| operation["security"] == [] }.map { |_, path, _| path }
    expect(open).to contain_exactly(
      "/health",
      "/api/session",
      "/api/login",
      "/api/forgotten",
      "/api/reset-password",
      "/api/confirm-address",
      "/api/open",
      "/api/join",
      "/api/invitations/{token}",
      "/api/sheet/{token}",
      "/api/sheet/{token}/marks",
      "/api/sheet/{token}/messages",
      "/api/sheet/{token}/sound",
      "/api/sheet/{token}/score",
      "/api/sheet/{token}/week.pdf"
    )
  end

  it "names each operation once, and lets each fail with a problem" do
    expect(operations.map { |_, _, operation| operation["operationId"] }.tally.values).to all(eq(1))
    careful = operations.reject { |_, path, _| %w[/health /api/session].include?(path) }
    expect(careful.map { |_, _, operation| operation.dig("responses", "default", "$ref") }).to all(
      eq("#/components/responses/Problem")
    )
  end
end
