# frozen_string_literal: true

require "socket"

# A mail server (RFC 5321, as far as a client needs it) that keeps what it is given.
class MailCatcher
  attr_reader :port, :mails

  def initialize
    @mails = []
    @server = TCPServer.new("127.0.0.1", 0)
    @port = @server.addr[1]
    @thread = Thread.new { loop { take(@server.accept) } }
    Minitest.after_run { @thread.kill }
  end

  private

  def take(socket)
    say(socket, "220 here")
    while (line = socket.gets&.chomp)
      case line
      when /\A(?:EHLO|HELO)/i then say(socket, "250 here")
      when /\ADATA/i
        say(socket, "354 go on")
        @mails << data(socket)
        say(socket, "250 taken")
      when /\AQUIT/i
        say(socket, "221 bye")
        break
      else say(socket, "250 well")
      end
    end
  ensure
    socket.close
  end

  def data(socket)
    text = +""
    while (line = socket.gets)
      return text if line.chomp == "."

      text << line
    end
    text
  end

  def say(socket, text) = socket.write("#{text}\r\n")
end
