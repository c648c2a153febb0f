# frozen_string_literal: true

require "date"
require "time"

module IronTrellis
  module Core
    module Evidence
      # One line of an access log in the Common or Combined Log Format, as Apache's mod_log_config writes it: within
      # quotes a quote and a backslash have a backslash in front, other bytes are written as \xhh. Bytes that a server
      # wrote as they came and that aren't UTF-8 are read as if it had written them so.
      class LogLine
        # A line can't be read; the message says why.
        class Unreadable < Error::InvalidInput
        end

        ESCAPED = /\\(?:x([0-9A-Fa-f]{2})|(.))/n
        # As C writes them.
        ESCAPES = {"n" => "\n", "t" => "\t", "r" => "\r", "b" => "\b", "v" => "\v", "f" => "\f"}.freeze
        # What stands between quotes, under a name.
        QUOTED = '"(?<%s>(?:[^"\\\\]|\\\\.)*)"'
        REQUESTED, REFERER, AGENT = %w[request referer agent].map { |name| format(QUOTED, name) }
        FORM =
          /\A(?<peer>\S+) \S+ .*?\[(?<time>[^\]]+)\] #{REQUESTED} (?<status>\d{3}) (?:\d+|-)(?: #{REFERER} #{AGENT})?/
        REQUEST = %r{\A[A-Z]+ (\S+)(?: HTTP/[\d.]+)?\z}
        TIME = %r{\A(\d{2})/([A-Z][a-z]{2})/(\d{4}):(\d{2}):(\d{2}):(\d{2}) ([+-]\d{4})\z}
        # No server that is asked today writes a later year.
        LAST_YEAR = 2100
        # Tokens by which crawlers call themselves (common practice).
        CRAWLER = /([A-Za-z0-9_.-]*(?:bot|crawler|spider)[A-Za-z0-9_.-]*)/i

        attr_reader :peer, :target, :status, :agent

        # @param bytes [String] as UTF-8, which they needn't be
        # @return [String] what isn't, written as Apache writes it
        #   LogLine.readable("caf\xE9") # => "caf\\xe9"
        def self.readable(bytes)
          return bytes if bytes.valid_encoding?

          bytes.scrub { |odd| odd.each_byte.map { |byte| format("\\x%02x", byte) }.join }
        end

        # @param text [String] readable
        # @raise [Unreadable]
        #   LogLine.new('1.2.3.4 - - [28/Nov/2026:10:00:00 +0000] "GET /x HTTP/1.1" 200 5').target # => "/x"
        def initialize(text)
          found = FORM.match(text) || raise(Unreadable.new("it is no line of the Common or Combined Log Format"))
          @peer, @time, @status = found[:peer], found[:time], found[:status].to_i
          @agent = unescape(found[:agent])&.scrub
          request = unescape(found[:request]).scrub { |odd| odd.each_byte.map { |byte| format("%%%02X", byte) }.join }
          @target = request[REQUEST, 1] || raise(Unreadable.new("its request can't be read"))
        end

        # @return [Time]
        # @raise [Unreadable]
        def time
          day, month, year, hour, minute, second, zone = TIME.match(@time)&.captures
          unless zone && Date::ABBR_MONTHNAMES.include?(month) && year.to_i <= LAST_YEAR
            raise Unreadable.new("its time can't be read: “#{@time[0, 40]}”")
          end

          Time.new(year, Date::ABBR_MONTHNAMES.index(month), day, hour, minute, second, zone.insert(3, ":"))
        rescue ArgumentError
          raise Unreadable.new("its time can't be read: “#{@time[0, 40]}”")
        end

        # @param named [Array<String>] agents that are known by name, in lower case
        # @return [String, nil] the name of the crawler; nil where it is none
        def crawler(named)
          return if agent.nil?

          named.filter_map { |name| agent[/#{Regexp.escape(name)}/i] }.first || agent[CRAWLER, 1]
        end

        private

        def unescape(text)
          return text unless text&.include?("\\")

          text.b.gsub(ESCAPED) { ($1) ? $1.hex.chr : ESCAPES.fetch($2, $2) }.force_encoding(Encoding::UTF_8)
        end
      end
    end
  end
end
