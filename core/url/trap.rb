# frozen_string_literal: true

module IronTrellis
  module Core
    module Url
      # Whether a URL looks like one of a space that may grow without end, and which space that is: `kind` says how it
      # grows, `space` names all URLs of it. Looking so is no fault: only so many of one space are fetched.
      Trap = Struct.new(:kind, :space)

      class << Trap
        # Of the segments of a path so many are there again: /a/a/a/, /a/b/a/b/, /a/b/b/a/. Numbers may well repeat, as
        # in dates.
        REPEATS = 2
        COUNTED = /[^\d._-]/
        # A date at the end of the path, down to the month or the day.
        CALENDAR =
          %r{
            (?<![0-9])(?:(?:19|20|21)\d\d[/-](?:0?[1-9]|1[0-2])(?:[/-](?:0?[1-9]|[12]\d|3[01]))?|
            (?:0?[1-9]|1[0-2])[/-](?:19|20|21)\d\d)/?\z
          }x
        # Parameters that name a date, or a part of one.
        DATE_NAMES = %w[date day month year week cal calendar].to_h { |name| [name, true] }.freeze
        # Letters name a month and a year only together.
        SHORT_NAMES = [%w[m y], %w[mo yr], %w[mon yr]].freeze
        DATE_VALUE = /\A(?:\d{1,4}|\d{4}-\d{1,2}(?:-\d{1,2})?)\z/
        # Names under which servers carry a visitor's session (common practice).
        SESSION_NAMES =
          %w[sid sessid session sessionid session_id phpsessid jsessionid aspsessionid cfid cftoken]
            .to_h { |name| [name, true] }
            .freeze
        PATH_SESSION = /;jsessionid=[^;\/]*/i
        # More parameters than a page has use for (common practice), or one that is repeated.
        MOST_PARAMETERS = 8
        MOST_REPEATS = 3

        # @param url [Url::Parts]
        # @return [Trap, nil]
        #   Trap.of(NormalForm.parse("http://a.test/x/x/x/")).kind # => "repeating segments"
        def of(url)
          repeating(url) || path_session(url) || calendar_path(url) || (url.query && by_query(url))
        end

        private

        # All such paths below one folder of the host are one space, however many small ones they may be parted into.
        def repeating(url)
          segments = url.path.split("/").drop(1)
          counted = segments.grep(COUNTED)
          return if counted.size < 3 || counted.size - counted.uniq.size < REPEATS

          first = segments.first
          new("repeating segments", "#{url.origin}/#{"#{first}/" if segments.count(first) == 1}…")
        end

        def path_session(url)
          return unless url.path.include?(";") && PATH_SESSION.match?(url.path)

          new("session ids", "#{url.origin}#{url.path.sub(PATH_SESSION, ";jsessionid=*")}")
        end

        def calendar_path(url)
          match = CALENDAR.match(url.path)
          match && new("calendar", "#{url.origin}#{match.pre_match}#{match[0].gsub(/\d+/, "#")}")
        end

        def by_query(url)
          pairs = url.query.split("&").map { |pair| pair.split("=", 2) }
          names = pairs.map { |name, _| name.to_s.downcase }
          place = "#{url.origin}#{url.path}"
          session = names.find { |name| SESSION_NAMES.key?(name) }
          return new("session ids", "#{place}?#{session}=*") if session
          if names.size > MOST_PARAMETERS || names.tally.any? { |_, count| count >= MOST_REPEATS }
            return new("growing parameters", "#{place}?*")
          end

          if pairs.any? { |name, value| date?(name, value) } || short_date?(pairs)
            new("calendar", "#{place}?#{names.uniq.sort.map { |name| "#{name}=#" }.join("&")}")
          end
        end

        def short_date?(pairs)
          dated = pairs.select { |_, value| DATE_VALUE.match?(value.to_s) }.map { |name, _| name.to_s.downcase }
          SHORT_NAMES.any? { |names| (names - dated).empty? }
        end

        def date?(name, value) = DATE_NAMES.key?(name.to_s.downcase) && DATE_VALUE.match?(value.to_s)
      end
    end
  end
end
