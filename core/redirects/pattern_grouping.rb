# frozen_string_literal: true

module IronTrellis
  module Core
    module Redirects
      # Tells the thousand from the odd one: lost addresses that look alike and could be answered in one way make one
      # row, with the one rule that answers all of them.
      class PatternGrouping
        # A lost address with what is suggested for it: a target, or nil where the best is to say that it is gone.
        Lost = Struct.new(:url, :target, :status, :valued, keyword_init: true)
        # `pattern` and `to` make the rule; `urls` are those that it answers, `others` how many that look alike it
        # doesn't.
        Group = Struct.new(:pattern, :to, :status, :urls, :others, keyword_init: true)

        LEAST = 5
        # So many of those that look alike one rule must answer as was suggested for each.
        SHARE = 0.8
        LAST = %r{\A(https?://[^/]+/(?:[^?#]*/)?)([^/?#]*)(/?)(\?[^#]*)?\z}

        # @param lost [Array<Lost>]
        # @return [Array<Group>] the largest first
        def self.of(lost) = new(lost).call

        # (see .of)
        def initialize(lost)
          @lost = lost
        end

        # @return [Array<Group>]
        def call
          gathered = @lost.group_by { |one| shape(one.url) }.select { |shape, ones| shape && ones.size >= LEAST }
          gathered.filter_map { |shape, ones| rule(shape, ones) }.sort_by { |group| [-group.urls.size, group.pattern] }
        end

        private

        # Where they lie, with what their last parts have in common besides numbers: "http://a.test/shop/p-*",
        # "http://a.test/old/*".
        def shape(url)
          folder, last, slash, query = LAST.match(url)&.captures
          return if folder.nil? || query

          worded = last[/\A[[:alpha:]]+[-_]?(?=\d)/]
          return if last.empty? || (folder.count("/") == 3 && worded.nil?)

          "#{folder}#{worded}*#{slash}"
        end

        def rule(shape, ones)
          ways = ones.group_by { |one| way(one) }
          (to, status), answered = ways.max_by { |way, some| [some.size, way.last.to_s] }
          return if to == :none || answered.size < ones.size * SHARE
          # What links lead to isn't given up as a whole.
          return if to.nil? && ones.any?(&:valued)

          Group.new(
            pattern: shape,
            to: to,
            status: status,
            urls: answered.map(&:url).sort,
            others: ones.size - answered.size
          )
        end

        # The target with the part that the address brings along as $1, where it does.
        def way(one)
          return [nil, one.status] if one.target.nil?

          tail = tail(one)
          if tail.empty?
            [one.target, one.status]
          else
            ["#{one.target.delete_suffix(tail)}$1#{"/" if tail.end_with?("/")}", one.status]
          end
        end

        # What the shape's star stands for, if the target ends with it.
        def tail(one)
          prefix = shape(one.url).partition("*").first
          rest = one.url.delete_prefix(prefix).delete_suffix("/")
          return "" unless rest.size > 1 && one.target.end_with?(rest, "#{rest}/")

          one.target.end_with?("/") ? "#{rest}/" : rest
        end
      end
    end
  end
end
