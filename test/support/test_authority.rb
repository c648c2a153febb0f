# frozen_string_literal: true

require "openssl"

# Issues certificates, and serves one page under one of them, or stands before a server that speaks no TLS itself.
class TestAuthority
  PAGE = ->(socket, _head) do
    socket.write("HTTP/1.1 200 OK\r\nContent-Type: text/html\r\nContent-Length: 4\r\nConnection: close\r\n\r\nlamp")
  end

  attr_reader :certificate

  def initialize
    @key = OpenSSL::PKey::RSA.new(2048)
    @certificate =
      make(
        "Test authority",
        @key.public_key,
        issuer: "Test authority",
        extensions: [["basicConstraints", "CA:TRUE", true], ["keyUsage", "keyCertSign", true]]
      )
  end

  # @return [Integer] the port of a server whose certificate is for that name until then
  # @yieldparam socket [OpenSSL::SSL::SSLSocket] of a request whose head was read, where another answer is to be given
  # @yieldparam head [String]
  def serve(name, expires: Time.now + 3600, &answer)
    key = OpenSSL::PKey::RSA.new(2048)
    context = OpenSSL::SSL::SSLContext.new
    context.key = key
    context.cert =
      make(
        name,
        key.public_key,
        issuer: "Test authority",
        expires: expires,
        extensions: [["subjectAltName", "DNS:#{name}", false]]
      )
    server = TCPServer.new("127.0.0.1", 0)
    Thread.new { accept(OpenSSL::SSL::SSLServer.new(server, context), answer || PAGE) }
    server.addr[1]
  end

  # @param name [String]
  # @param port [Integer] of a server on loopback
  # @return [Integer] the port on which the same is to be had over TLS
  def before(name, port)
    serve(name) do |socket, head|
      TCPSocket.open("127.0.0.1", port) do |inner|
        inner.write(head.sub(/^Connection:.*\r\n/i, "").sub("\r\n\r\n", "\r\nConnection: close\r\n\r\n"))
        IO.copy_stream(inner, socket)
      end
    end
  end

  private

  def accept(server, answer)
    loop do
      socket = server.accept
      head = +""
      head << (socket.gets || "\r\n") until head.end_with?("\r\n\r\n")
      answer.call(socket, head)
      socket.close
    rescue OpenSSL::SSL::SSLError, SystemCallError
      # The client turned the certificate down.
    end
  end

  def make(name, public_key, issuer:, extensions:, expires: Time.now + 3600)
    certificate = OpenSSL::X509::Certificate.new
    certificate.version = 2
    certificate.serial = rand(1 << 60)
    certificate.subject = OpenSSL::X509::Name.parse("/CN=#{name}")
    certificate.issuer = OpenSSL::X509::Name.parse("/CN=#{issuer}")
    certificate.public_key = public_key
    certificate.not_before = Time.now - 7200
    certificate.not_after = expires
    factory = OpenSSL::X509::ExtensionFactory.new(@certificate || certificate, certificate)
    extensions.each { |extension| certificate.add_extension(factory.create_extension(*extension)) }
    certificate.sign(@key, OpenSSL::Digest.new("SHA256"))
  end
end
