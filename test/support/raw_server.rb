# frozen_string_literal: true

require "socket"

# A server that answers exactly the bytes it is told to, by path, and may hang or break off.
class RawServer
  attr_reader :port

  # @yieldparam path [String]
  # @yieldparam socket [TCPSocket]
  # @yieldparam head [String] the request's header lines
  # @yieldreturn [Symbol] :keep to go on with the connection, anything else to close it
  def initialize(&answer)
    @server = TCPServer.new("127.0.0.1", 0)
    @port = @server.addr[1]
    @threads = []
    @acceptor = Thread.new { accept(&answer) }
  end

  # @return [void]
  def close
    @acceptor.kill
    @threads.each(&:kill)
    @server.close
  end

  private

  def accept(&answer)
    loop do
      socket = @server.accept
      @threads << Thread.new { serve(socket, &answer) }
    end
  end

  def serve(socket)
    while (line = socket.gets)
      head = socket.gets("\r\n\r\n").to_s
      break unless yield(line.split[1], socket, head) == :keep
    end
  rescue SystemCallError, IOError
    # The client went away, as it may.
  ensure
    socket.close
  end
end
