# frozen_string_literal: true

module IronTrellis
  module Core
    module Robots
      # A robots.txt with more blocked in it: whole folders where nothing else lies in them, addresses else. What it
      # says already stays as it is, and lines are added to the group that the agent has (RFC 9309 section 2.2.1).
      class Blocking
        ANYONE = "*"

        # @param text [String] the file that is there; empty where none is
        # @param agent [String] product token
        def initialize(text, agent)
          @text = text
          @agent = Ruleset.new(text).named?(agent) ? agent : ANYONE
        end

        # @param urls [Array<String>] of its host
        # @param folders [Array<String>] addresses of folders, each ending in a slash, in which nothing else lies
        # @return [String] the whole file
        #   Blocking.new("", "Bot").call(["http://a.test/tags/x"], ["http://a.test/tags/"]) # =>
        #     "User-agent: *\nDisallow: /tags/\n"
        def call(urls, folders)
          lines = urls.map { |url| line(url, folders) }.uniq.sort.map { |one| "Disallow: #{one}\n" }
          return @text if lines.empty?

          present = @text.lines
          place = end_of_group(present)
          return ["#{head}User-agent: #{@agent}\n", *lines].join unless place

          present[place - 1] += "\n" unless present[place - 1].end_with?("\n")
          [*present[0...place], *lines, *present[place..]].join
        end

        private

        FIELD = /\A\s*([A-Za-z-]+)\s*:\s*([^#\r\n]*)/
        RULES = %w[allow disallow].freeze

        def head = @text.strip.empty? ? "" : "#{@text.chomp}\n\n"

        # Behind the last rule, or the last name, of the last group that is the agent's.
        #
        # @return [Integer, nil] nil where it has none
        def end_of_group(lines)
          mine = naming = false
          found = nil
          lines.each_with_index do |line, place|
            field, value = FIELD.match(line)&.captures
            case field&.downcase
            when "user-agent"
              mine = false unless naming
              mine ||= value.strip.casecmp?(@agent)
              naming = true
            when *RULES
              naming = false
            else next
            end
            found = place + 1 if mine
          end
          found
        end

        # The largest folder, else the address alone.
        def line(url, folders)
          folder = folders.select { |one| url.start_with?(one) }.min_by(&:length)
          parts = Url::NormalForm.parse(folder || url)
          target = Rule.literally([parts.path, parts.query].compact.join("?"))
          folder ? target : "#{target}$"
        end
      end
    end
  end
end
