# frozen_string_literal: true

require "socket"

# A small mail server that stands in for a real one: it takes what it is given (RFC 5321, as much of
# it as a delivery needs), and shows or keeps it. Addresses that begin with "nobody" it refuses, as
# a real one does those it does not know.
class Mailbox
  # A mail as it came: the addresses of the envelope, and the text with its head.
  Mail = Struct.new(:from, :to, :text)
  REFUSED = /\A<?nobody/i
  private_constant :REFUSED

  # @return [Integer]
  attr_reader :port
  # @return [Array<Mail>] what came so far
  attr_reader :mails

  # @param port [Integer] 0 for one that is free
  # @param on_mail [Proc] told of each
  def initialize(port = 0, &on_mail)
    @server = TCPServer.new("127.0.0.1", port)
    @port = @server.addr[1]
    @mails = []
    @on_mail = on_mail
  end

  # Takes mail until it is closed.
  # @return [Thread]
  def start
    Thread.new do
      loop { Thread.new(@server.accept) { |socket| talk(socket) } }
    rescue IOError, Errno::EBADF
      nil
    end
  end

  def close = @server.close

  private

  def talk(socket)
    say(socket, "220 Stairwell's mailbox")
    mail = Mail.new(nil, [], +"")
    while (line = socket.gets("\r\n")&.chomp("\r\n"))
      case line
      when /\AMAIL FROM:\s*(\S+)/i
        mail.from = $1
        say(socket, "250 fine")
      when /\ARCPT TO:\s*(\S+)/i
        recipient(socket, mail, $1)
      when /\ADATA\z/i
        say(socket, "354 go on, end with a dot")
        take(socket, mail)
        mail = Mail.new(nil, [], +"")
      when /\AQUIT/i
        return say(socket, "221 goodbye")
      else
        say(socket, "250 fine")
      end
    end
  rescue SystemCallError, IOError
    nil
  ensure
    socket.close
  end

  def recipient(socket, mail, address)
    return say(socket, "550 nobody of that name lives here") if address.match?(REFUSED)

    mail.to << address
    say(socket, "250 fine")
  end

  # A dot at the beginning of a line is doubled on its way.
  def take(socket, mail)
    while (line = socket.gets("\r\n")) && line != ".\r\n"
      mail.text << line.delete_prefix(".")
    end
    @mails << mail
    @on_mail&.call(mail)
    say(socket, "250 taken")
  end

  def say(socket, words) = socket.print("#{words}\r\n")
end

if $PROGRAM_NAME == __FILE__
  box =
    Mailbox.new(Integer(ARGV.fetch(0, 2525))) do |mail|
      puts "---- #{mail.from} to #{mail.to.join(", ")}", mail.text
    end
  puts "Mail for 127.0.0.1:#{box.port} comes here; nobody else gets it. Start Stairwell with STAIRWELL_SMTP=smtp://127.0.0.1:#{box.port} (Ctrl-C stops)"
  begin
    box.start.join
  rescue Interrupt
    box.close
  end
end
