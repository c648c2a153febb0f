# frozen_string_literal: true

require "diff/lcs"
require "diff/lcs/hunk"

module IronTrellis
  module Core
    module Robots
      # A robots.txt as it shall be: what is blocked and needed is opened by the smallest change, lines that nobody
      # reads are gone, a sitemap is named.
      class RobotsRepair
        NAME = "robots.txt"
        CONTEXT = 3
        # A file that shuts nothing.
        OPEN = "User-agent: *\nDisallow:\n"
        OPENED = %w[blocked-wanted blocked-resource noindex-unseen].freeze
        UNREAD = "robots-syntax"
        TOO_BIG = "robots-too-big"
        NO_SITEMAP = "robots-no-sitemap"
        # Stands where such a line stood, so that the numbers of the others hold.
        UNREAD_LINE = "# unread"
        MOST_LINES = 10

        # @param old [String]
        # @param new [String]
        # @return [String] the unified difference, three lines of context; empty where there is none
        def self.difference(old, new)
          return "" if old == new

          before, after = [old, new].map { |text| text.split("\n") }
          shift = 0
          hunks =
            Diff::LCS
              .diff(before, after)
              .map do |piece|
                Diff::LCS::Hunk
                  .new(before, after, piece, CONTEXT, shift)
                  .tap { |hunk| shift = hunk.file_length_difference }
              end
          ["--- #{NAME}", "+++ #{NAME}", *joined(hunks).map { |hunk| hunk.diff(:unified) }].join("\n") + "\n"
        end

        # Hunks whose contexts meet are one.
        def self.joined(hunks) =
          hunks.each_with_object([]) do |hunk, done|
            hunk.merge(done.pop) if done.any? && hunk.overlaps?(done.last)
            done << hunk
          end
        private_class_method :joined

        # @param text [String] the file that is there; empty where none is
        # @param agent [String] product token
        # @param blocked [Hash{Integer => Integer}] how many known URLs each line blocks
        def initialize(text, agent, blocked: {})
          @lines = text.strip.empty? ? OPEN.split("\n") : text.split(Ruleset::LINE_END)
          @agent = agent
          @blocked = blocked
        end

        # @param faults [Array<Hash{String => String, nil}>] code, url and about
        # @param sitemaps [Array<String>] addresses that it shall name where it names none
        # @return [String] the whole file
        def call(faults, sitemaps)
          codes = faults.group_by { |fault| fault["code"] }
          opened = OPENED.flat_map { |code| codes.fetch(code, []) }.map { |fault| fault["url"] }.uniq
          # What a line number means holds before anything is taken out.
          unread = codes.fetch(UNREAD, []).map { |fault| fault["about"].to_i - 1 }
          unread.each { |place| @lines[place] = UNREAD_LINE }
          let_through(opened)
          @lines.reject! { |line| line == UNREAD_LINE || (codes.key?(TOO_BIG) && line.strip.match?(/\A(?:#.*)?\z/)) }
          text = @lines.flatten.compact.join("\n") + "\n"
          codes.key?(NO_SITEMAP) ? text + sitemaps.map { |url| "\nSitemap: #{url}" }.join + "\n" : text
        end

        private

        # A line that blocks nothing else goes; else the addresses are let through beside it (RFC 9309 section 2.2.2).
        # Behind one line another may stand.
        def let_through(urls)
          MOST_LINES.times do |round|
            @lines = @lines.flatten.compact
            policy = Policy.from_answer(status: 200, text: @lines.join("\n"), agent: @agent)
            by_line =
              urls.group_by { |url| decision(policy, url).then { |one| one.line unless one.allowed? } }.except(nil)
            break if by_line.empty?

            by_line.each do |line, some|
              place = line - 1
              alone = round.zero? && @blocked[line] == some.size
              @lines[place] = alone ? removed(place) : [@lines[place], *allowing(place, some)]
            end
          end
        end

        def decision(policy, url) = policy.decide(Url::NormalForm.parse(url))

        # Where it was the only line of its agents these would lose their group.
        def removed(place) = (alone?(place) ? "Disallow:" : nil)

        def alone?(place)
          above, below =
            [@lines[0...place].reverse, @lines[(place + 1)..]].map do |some|
              some.flatten.compact.map(&:strip).find { |line| !line.empty? && !line.start_with?("#") }
            end
          above.to_s.match?(/\Auser-agent\s*:/i) && !below.to_s.match?(/\A(?:dis)?allow\s*:/i)
        end

        def allowing(place, urls)
          length = @lines[place][/:\s*(.*?)\s*(?:#.*)?\z/, 1].to_s.bytesize
          urls
            .map { |url| Url::NormalForm.parse(url) }
            .map { |parts| Rule.literally([parts.path, parts.query].compact.join("?")) }
            .map { |path| "Allow: #{path}#{"*" * [length - path.bytesize, 0].max}" }
            .sort
        end
      end
    end
  end
end
