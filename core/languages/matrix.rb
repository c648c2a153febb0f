# frozen_string_literal: true

module IronTrellis
  module Core
    module Languages
      # Who names whom in one cluster: a row for each page, a column for each code.
      class Matrix
        # `state` is "itself", "named" (the page that most name for the code), "other" (it names another page), "hole"
        # (it names none); `sources` say where; `clash` whether the sources say different things.
        Cell = Struct.new(:code, :state, :target, :sources, :clash, keyword_init: true)
        Row = Struct.new(:url, :cells, keyword_init: true)

        DEFAULT = "x-default"

        # @param cluster [Clusters::Cluster]
        # @param annotations [Array<Annotation>] those of its members
        def initialize(cluster, annotations)
          @cluster = cluster
          @by_page = annotations.group_by(&:url)
          @by_code = annotations.group_by { |one| one.code.downcase }
        end

        # @return [Hash{String => String}] by code the page for it: the one that most name, the first in byte order
        #   where that is open; x-default last
        def columns
          @columns ||=
            @cluster
              .codes
              .keys
              .sort_by { |code| [code.casecmp?(DEFAULT) ? 1 : 0, code.downcase] }
              .to_h { |code| [code, most_named(code)] }
        end

        # @return [Array<Row>] one for each member, those that columns speak of first
        def rows
          @rows ||=
            (columns.values.uniq + (@cluster.members - columns.values)).map do |url|
              Row.new(url: url, cells: columns.map { |code, target| cell(url, code, target) })
            end
        end

        # @return [Integer] how many cells are empty or name another page
        def holes = rows.sum { |row| row.cells.count { |cell| %w[hole other].include?(cell.state) } }

        private

        def most_named(code) =
          @by_code.fetch(code.downcase).map(&:target).tally.min_by { |target, count| [-count, target] }.first

        def cell(url, code, target)
          named = @by_page.fetch(url, []).select { |one| one.code.casecmp?(code) }
          targets = named.map(&:target).uniq
          Cell.new(
            code: code,
            state: state(url, target, targets),
            target: targets.include?(target) ? target : targets.first,
            sources: named.map(&:source).uniq.sort,
            clash: clash?(url, named, targets)
          )
        end

        def state(url, target, targets)
          return "hole" if targets.empty?
          return "other" unless targets.include?(target)

          (url == target) ? "itself" : "named"
        end

        # Two sources clash where both carry the set and disagree about this code.
        def clash?(url, named, targets)
          return false if targets.empty?

          carrying = @by_page.fetch(url, []).map(&:source).uniq
          targets.size > 1 || (carrying.size > 1 && named.map(&:source).uniq.size < carrying.size)
        end
      end
    end
  end
end
