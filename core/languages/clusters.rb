# frozen_string_literal: true

module IronTrellis
  module Core
    module Languages
      # Pages that name each other as versions of one page: what hangs together by naming, in whichever direction.
      class Clusters
        # One of them: its members in byte order, and by code as most of them write it the URLs that it was given for.
        Cluster = Struct.new(:members, :codes, keyword_init: true)

        # @param annotations [Array<Annotation>]
        # @return [Array<Cluster>] by their first member
        def self.of(annotations) = new(annotations).call

        # (see .of)
        def initialize(annotations)
          @annotations = annotations
          @roots = {}
        end

        # @return [Array<Cluster>]
        def call
          @annotations.each { |one| join(one.url, one.target) }
          given = @annotations.group_by { |one| root(one.url) }
          @roots
            .keys
            .group_by { |url| root(url) }
            .map { |root, members| Cluster.new(members: members.sort, codes: codes(given.fetch(root))) }
            .sort_by { |cluster| cluster.members.first }
        end

        private

        # A forest in which each tree is a cluster; paths are shortened as they are walked.
        def root(url)
          parent = @roots[url] ||= url
          return url if parent == url

          top = parent
          top = @roots[top] until @roots[top] == top
          @roots[url] = top
        end

        def join(one, other)
          first, second = [root(one), root(other)].minmax
          @roots[second] = first
        end

        def codes(annotations)
          annotations
            .group_by { |one| one.code.downcase }
            .sort
            .to_h do |_, ones|
              [ones.map(&:code).tally.max_by { |code, count| [count, code] }.first, ones.map(&:target).uniq.sort]
            end
        end
      end
    end
  end
end
