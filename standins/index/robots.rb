# frozen_string_literal: true

module Gazetteer
  # What one robots.txt says to this index: the group of its name, else that of all; the longest rule that fits decides
  # (RFC 9309).
  class Robots
    NAME = "gazetteerbot"

    # @param text [String, nil] nil where there is none
    def initialize(text)
      @rules = rules(text.to_s)
      @sitemaps = text.to_s.scan(/^\s*sitemap\s*:\s*(\S+)/i).flatten
    end

    # @return [Array<String>]
    attr_reader :sitemaps

    # @param target [String] path and query
    # @return [Boolean]
    def allow?(target)
      rule = @rules.select { |_, path| pattern(path).match?(target) }.max_by { |kind, path| [path.size, kind] }
      rule.nil? || rule.first == "allow"
    end

    private

    def rules(text)
      groups = Hash.new { |all, name| all[name] = [] }
      names = []
      began = false
      lines(text) do |field, value|
        case field
        when "user-agent"
          names = [] if began
          began = false
          names << value.downcase
        when "allow", "disallow"
          began = true
          names.each { |name| groups[name] << [field, value] unless value.empty? }
        end
      end
      groups.fetch(NAME) { groups["*"] }
    end

    def lines(text)
      text.each_line do |line|
        field, value = line.sub(/#.*/, "").split(":", 2)
        yield field.strip.downcase, value.strip if value
      end
    end

    def pattern(path) = /\A#{Regexp.escape(path).gsub("\\*", ".*").sub(/\\\$\z/, "\\z")}/
  end
end
