# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/api_here"
require "socket"

# By the head of a request it is known that its body is too large: nothing of the body is waited for.
class BodyLimitsTest < Minitest::Test
  include ApiHere

  def test_a_body_that_is_too_large_is_refused_before_it_is_sent
    cookie = "Cookie: iron_trellis=x"
    {
      ["/api/trials/timetable", "Content-Length: 1000001", cookie] => 413,
      ["/api/sites/1/evidence/files", "Content-Length: 1000001"] => 413,
      ["/api/sites/1/evidence/files", "Content-Length: 2000000001", cookie] => 413,
      ["/api/sites", "Transfer-Encoding: chunked", cookie] => 400,
      ["/api/session", "Content-Length: 0"] => 403
    }.each { |(path, *headers), status| assert_equal status, answer(path, headers), "#{path} #{headers}" }
  end

  private

  def port = @@port ||= SiteServer.new(app).port

  def answer(path, headers)
    socket = TCPSocket.new("127.0.0.1", port)
    socket.write("POST #{path} HTTP/1.1\r\nHost: 127.0.0.1\r\n#{headers.join("\r\n")}\r\n\r\n")
    answer = socket.readpartial(10_000)
    assert_match(/^connection: close/i, answer) if answer.include?(" 413 ")
    answer[/ (\d+)/, 1].to_i
  ensure
    socket&.close
  end
end
