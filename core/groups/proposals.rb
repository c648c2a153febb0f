# frozen_string_literal: true

module IronTrellis
  module Core
    module Groups
      # Proposes page groups for a site by how its pages are built: each template by the addresses of its pages, or
      # where those can't tell it apart by the template itself. Pages that bear too few signs of how they are built are
      # parted by folders.
      class Proposals
        # A page that answers: how it is built (the id of its template, nil where nothing tells) and what `kind` it is.
        Page = Struct.new(:url, :template, :kind, keyword_init: true)
        # `patterns` and the `template` (an id, nil where patterns tell it), what `kind` most of its pages are, how many
        # `pages` it takes of those that no earlier one took, and an `example`.
        Proposal = Struct.new(:name, :patterns, :template, :kind, :pages, :example, :urls, keyword_init: true)

        LEAST_PAGES = 2
        MOST = 25
        # From this share on the kind of its pages is that of the group.
        KIND_SHARE = 0.8
        OTHERS = "Other pages"
        # So few elements don't tell how a page is built.
        LEAST_TOKENS = 3

        # @param pages [Array<Page>] HTML pages that answer 200 themselves
        # @param templates [Hash{String => Integer}] by id, how many elements tell each of them (Page::Skeleton.telling)
        # @param main_host [String] whose folders are named without their host
        # @return [Array<Proposal>] in the order in which they should stand, the last one for all others
        def self.of(pages, templates, main_host) = new(pages, templates, main_host).call

        # (see .of)
        def initialize(pages, templates, main_host)
          @pages = pages.sort_by(&:url)
          @templates = templates
          @main_host = main_host
        end

        # (see .of)
        def call
          parts = parts().select { |_, some| some.size >= LEAST_PAGES }.sort_by { |key, some| [-some.size, key.to_s] }
          found = proposed(parts.first(MOST - 1).reverse)
          rest = @pages.size - found.sum(&:pages)
          found + (rest.positive? ? [others(rest, found)] : [])
        end

        private

        # By template, and where that says nothing by folder.
        def parts
          @pages.group_by do |page|
            (page.template && @templates.fetch(page.template, 0) >= LEAST_TOKENS) ? page.template : folder(page.url)
          end
        end

        # The smallest first, so that what is left to the larger ones needs no telling apart.
        def proposed(parts)
          names = Hash.new(0)
          left = @pages.map(&:url)
          parts.filter_map do |key, pages|
            mine = pages.map(&:url)
            patterns = AddressPatterns.of(mine, left - mine)
            # What neither tells stays among the others.
            next if patterns.nil? && !@templates.key?(key)

            left -= mine
            name = name(pages)
            Proposal.new(
              name: ((names[name] += 1) > 1) ? "#{name} (#{names[name]})" : name,
              patterns: patterns || [],
              template: (key if patterns.nil? && @templates.key?(key)),
              kind: kind(pages),
              pages: mine.size,
              example: mine.first,
              urls: mine
            )
          end
        end

        def others(count, found)
          taken = found.flat_map(&:urls).to_h { |url| [url, true] }
          urls = @pages.map(&:url).reject { |url| taken.key?(url) }
          Proposal.new(name: OTHERS, patterns: [AddressPatterns::ALL], pages: count, example: urls.first, urls: urls)
        end

        def kind(pages)
          kind, count = pages.filter_map(&:kind).tally.max_by { |_, size| size }
          kind if kind && count >= pages.size * KIND_SHARE
        end

        # Its kind, else its folder, else what a page of it is called.
        def name(pages)
          kind = kind(pages)
          return "#{kind.capitalize}s".sub(/(?:s|sh|ch)s\z/) { |ending| "#{ending.chop}es" } if kind

          folders = pages.map { |page| folder(page.url) }.uniq
          return folders.first if folders.size == 1 && folders.first != "/"

          "Pages like #{pages.first.url[%r{\Ahttps?://[^/]+(.*)\z}m, 1]}"
        end

        def folder(url) = (@grouping ||= Grouping.new(groups: [], main_host: @main_host)).name(url)
      end
    end
  end
end
