# frozen_string_literal: true

module IronTrellis
  module Core
    module Groups
      # Proposes page groups for a site: by-products by their addresses first (feeds, paged and filtered lists, archives
      # by date), then what a template shows that no folder does, then folders that hold many pages.
      class Proposals
        # A pattern, what it is called, and how many pages it takes of those that no earlier one took.
        Proposal = Struct.new(:name, :pattern, :pages, keyword_init: true)
        # By what their addresses show (common practice).
        KINDS = {
          "Feeds" => %q(//(feed|rss|atom)(\.xml)?/?(\?.*)?$/),
          "Paged lists" => "/([?&](page|paged)=[0-9]+|/(page|seite|side|pagina)[/-]?[0-9]+/?$)/",
          "Lists by parameters" => %q(/\?.+/),
          "Archives by date" => "//(19|20)[0-9]{2}(/[01]?[0-9])?/?$/",
          "Tags" => "//(tags?|schlagwort|emne|etiqueta)/[^/?]+/?$/",
          "Authors" => "//(authors?|autor|forfatter)/[^/?]+/?$/"
        }.freeze
        LEAST_PAGES = 3
        LEAST_SHARE = 0.01
        MOST = 25

        # @param urls [Array<String>] of pages, in normal form
        # @param main_host [String] whose folders are named without their host
        # @param blocks [Hash{String => Array<String>}] the blocks of text of some of them (see Templates)
        # @return [Array<Proposal>] in the order in which they should stand
        def self.of(urls, main_host, blocks: {}) = new(urls, main_host, blocks).call

        # (see .of)
        def initialize(urls, main_host, blocks)
          @left = urls
          @blocks = blocks
          @main = %r{\Ahttps?://#{Regexp.escape(main_host)}(?=/)}
          @least = [LEAST_PAGES, (urls.size * LEAST_SHARE).ceil].max
        end

        # @return [Array<Proposal>]
        def call
          kinds = KINDS.filter_map { |name, pattern| take(name, pattern) } + templates
          kinds +
            folders
              .first(MOST - kinds.size)
              .filter_map { |folder| take(folder.sub(@main, "").sub(%r{\Ahttps?://}, ""), "#{folder.sub(@main, "")}*") }
        end

        private

        def templates
          left = @left.to_h { |url| [url, true] }
          Templates
            .of(@blocks.select { |url, _| left.key?(url) }, least: [LEAST_PAGES, (@blocks.size * LEAST_SHARE).ceil].max)
            .filter_map { |pattern, name| take(name, pattern) }
        end

        def take(name, source)
          pattern = Url::Pattern.new(source)
          mine, rest = @left.partition { |url| pattern.match?(url) }
          return if mine.size < @least

          @left = rest
          Proposal.new(name: name, pattern: source, pages: mine.size)
        end

        # The folders of the second level stand before those that hold them.
        def folders
          counts =
            @left
              .flat_map do |url|
                url[%r{\Ahttps?://[^?]*/}].to_s.then do |path|
                  [path[%r{\Ahttps?://[^/]+/[^/]+/[^/]+/}], path[%r{\Ahttps?://[^/]+/[^/]+/}]]
                end
              end
              .compact
              .tally
          counts
            .select { |_, count| count >= @least }
            .keys
            .sort_by { |folder| [-folder.count("/"), -counts[folder], folder] }
        end
      end
    end
  end
end
