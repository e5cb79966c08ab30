# frozen_string_literal: true

require_relative "../spec_helper"
require "demo/people"
require_relative "../support/whole_machine"
require_relative "../support/patient_client"
require_relative "../support/tls_proxy"

# Behind a proxy with TLS: cookies are kept to it, and whoever guesses is told from everyone else.
RSpec.describe "Behind a proxy with TLS", order: :defined do
  before(:context) do
    @machine =
      WholeMachine.new(env: { "STAIRWELL_PROXY" => "127.0.0.1", "STAIRWELL_TLS" => "1" }).start
    port = URI(@machine.address).port
    @proxies = %w[192.0.2.7 192.0.2.8].map { |from| TlsProxy.new(port, from: from) }
  end

  after(:context) do
    @proxies.each(&:stop)
    @machine.remove
  end

  let(:teacher) { Demo::People::TEACHERS.first }

  def at(proxy) = PatientClient.new(proxy.address)

  it "signs in, with cookies for TLS alone" do
    client = at(@proxies.first).sign_in(teacher[:email], Demo::People::PASSWORD)
    expect(client.ask(:get, "/api/session")["account"]["email"]).to eq(teacher[:email])
    answer = at(@proxies.first).once(:get, "/api/session")
    expect(answer.get_fields("set-cookie")).to all(match(/; secure/i))
    expect(answer["strict-transport-security"]).to match(/max-age=\d{7,}/)
  end

  it "counts who guesses by where they are, not by the proxy" do
    stranger, other = @proxies.map { |proxy| at(proxy) }
    expect(stranger.guess_until_told_to_wait).to be(true)
    expect(other.guess(1)).not_to include("429")
  end
end
