# frozen_string_literal: true

require "openssl"
require "socket"

# A proxy that speaks TLS in front of a server that doesn't, as docs/running.md asks for one.
class TlsProxy
  # @return [String]
  attr_reader :address

  # @param port [Integer] of the server behind it, on 127.0.0.1
  # @param from [String] the address it says requests come from
  def initialize(port, from:)
    @port = port
    @from = from
    @tcp = TCPServer.new("127.0.0.1", 0)
    @address = "https://127.0.0.1:#{@tcp.addr[1]}"
    @server = OpenSSL::SSL::SSLServer.new(@tcp, context)
    @thread = Thread.new { serve }
  end

  # @return [void]
  def stop
    @thread.kill
    @tcp.close
  end

  private

  def context
    key = OpenSSL::PKey::RSA.new(2048)
    name = OpenSSL::X509::Name.parse("/CN=127.0.0.1")
    certificate = OpenSSL::X509::Certificate.new
    certificate.serial = 1
    certificate.subject = certificate.issuer = name
    certificate.not_before = Time.now - 60
    certificate.not_after = Time.now + 86_400
    certificate.public_key = key.public_key
    certificate.sign(key, OpenSSL::Digest.new("SHA256"))
    OpenSSL::SSL::SSLContext.new.tap do |made|
      made.cert = certificate
      made.key = key
    end
  end

  def serve
    loop do
      client = @server.accept
      Thread.new { pass(client) }
    rescue OpenSSL::SSL::SSLError
      next
    end
  end

  # One request a connection.
  def pass(client)
    head = +""
    head << client.readpartial(65_536) until head.include?("\r\n\r\n")
    head, body = head.split("\r\n\r\n", 2)
    wanted = head[/^content-length: (\d+)/i, 1].to_i
    body << client.readpartial(65_536) while body.bytesize < wanted
    lines = head.lines(chomp: true).reject { |line| line.match?(/\Aconnection:/i) }
    lines += ["X-Forwarded-For: #{@from}", "X-Forwarded-Proto: https", "Connection: close"]
    TCPSocket.open("127.0.0.1", @port) do |server|
      server.write("#{lines.join("\r\n")}\r\n\r\n#{body}")
      IO.copy_stream(server, client)
    end
  rescue SystemCallError, IOError
    nil
  ensure
    client.close
  end
end
