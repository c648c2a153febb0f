# frozen_string_literal: true

module IronTrellis
  module Core
    module Robots
      # Why a robots.txt could not be read, in words: everything of its host is disallowed then (RFC 9309 section
      # 2.3.1.4), and the true reason is what came of asking for it.
      module Failure
        WORDS = {
          "dns" => "its host has no address",
          "connect" => "no connection to its host",
          "closed" => "its host ends the connection before a whole answer",
          "tls" => "no secure connection (TLS) to its host",
          "timeout" => "its host doesn't answer in time",
          "too_large" => "the robots.txt is larger than the limit",
          "malformed" => "its host doesn't answer by HTTP"
        }.freeze
        # What systems say of connections that fail (errno).
        KNOWN = /connection refused|no route to host|network is unreachable|host is down/i
        UNREADABLE = "robots.txt could not be read, so everything is disallowed"

        module_function

        # @param status [Integer, nil]
        # @param error [String, nil] an error word
        # @param detail [String, nil] what was said of it
        # @return [String, nil] nil where it could be read
        #   Failure.words(status: 503, error: nil) # => "robots.txt answers 503, so everything is disallowed"
        def words(status:, error:, detail: nil)
          return (status.to_i >= 500) ? "robots.txt answers #{status}, so everything is disallowed" : nil if error.nil?
          return detail if detail&.include?("private address")

          said = (error == "tls") ? detail : detail.to_s[KNOWN]&.downcase
          "#{WORDS.fetch(error, UNREADABLE)}#{" (#{said})" if said}, not even for its robots.txt"
        end
      end
    end
  end
end
