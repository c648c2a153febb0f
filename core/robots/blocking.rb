# frozen_string_literal: true

module IronTrellis
  module Core
    module Robots
      # A robots.txt with more blocked in it: whole folders where nothing else lies in them, addresses else. What it
      # says already stays as it is: groups of the same agent are one (RFC 9309 section 2.2.1), so that lines may be
      # added at its end.
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
          lines = urls.map { |url| line(url, folders) }.uniq.sort
          return @text if lines.empty?

          [head, "User-agent: #{@agent}\n", *lines.map { |one| "Disallow: #{one}\n" }].join
        end

        private

        def head = @text.strip.empty? ? "" : "#{@text.chomp}\n\n"

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
