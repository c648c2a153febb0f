# frozen_string_literal: true

module IronTrellis
  module Core
    module Robots
      # A robots.txt, read as RFC 9309 says: groups for the same agent are merged, unknown lines are passed
      # over, sitemap lines stand outside the groups.
      class Ruleset
        LINE_END = /\r\n|\r|\n/
        BOM = "\uFEFF"
        PRODUCT_TOKEN = /\A[A-Za-z_-]*/
        # RFC 9309 knows no digits in a token, but files do: such a group is the whole name's as well.
        TOKEN_IN_USE = /\A[A-Za-z0-9_-]*/

        # Seconds that a crawler is asked to leave between requests; RFC 9309 doesn't know it (common practice).
        DELAY = /\A\d+(?:\.\d+)?\z/

        attr_reader :sitemaps

        # @param text [String] the file, in any encoding that was read as UTF-8
        def initialize(text)
          @groups = Hash.new { |groups, token| groups[token] = [] }
          @delays = {}
          @sitemaps = []
          @open = []
          @group_begun = false
          text.scrub.delete_prefix(BOM).split(LINE_END, -1).each.with_index(1) { |line, number| read(line, number) }
        end

        # @param agent [String] a product token, e.g. "IronTrellis"
        # @return [Array<Rule>] those of the agent's own groups, else those for everyone
        def rules_for(agent) = @groups.fetch(group_of(agent), [])

        # @param agent [String] a product token
        # @return [Boolean] whether it has a group of its own
        def named?(agent) = @groups.key?(agent.downcase)

        # @param agent [String] a product token
        # @return [Float, nil] seconds
        def delay_for(agent) = @delays[group_of(agent)]

        private

        def group_of(agent) = named?(agent) ? agent.downcase : "*"

        def read(line, number)
          field, colon, value = line.sub(/#.*/, "").partition(":")
          return if colon.empty?

          value = value.strip
          case field.strip.downcase
          when "user-agent" then begin_group(value)
          when "allow" then add(true, value, number, line)
          when "disallow" then add(false, value, number, line)
          when "crawl-delay" then delay(value)
          when "sitemap" then @sitemaps << value unless value.empty?
          end
        end

        def begin_group(value)
          @open = [] if @group_begun
          @group_begun = false
          tokens =
            (
              if value.start_with?("*")
                ["*"]
              else
                [value[PRODUCT_TOKEN], value[TOKEN_IN_USE]].map(&:downcase).uniq.reject(&:empty?)
              end
            )
          tokens.each { |token| @groups[token] }
          @open.concat(tokens)
        end

        def delay(value)
          @group_begun = true
          @open.each { |token| @delays[token] ||= value.to_f } if DELAY.match?(value)
        end

        # An empty rule matches nothing, but it does end the list of agents of its group.
        def add(allow, path, number, line)
          @group_begun = true
          return unless path.start_with?("/", "*")

          rule = Rule.new(allow: allow, path: path, line: number, text: line.strip)
          @open.uniq.each { |token| @groups[token] << rule }
        end
      end
    end
  end
end
