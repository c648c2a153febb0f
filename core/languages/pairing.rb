# frozen_string_literal: true

module IronTrellis
  module Core
    module Languages
      # Proposes which pages are versions of one page in several languages, from what they have in common: links of a
      # switch of languages, the same path below the folder or host of a language, the same product code, the same
      # images. What already names each other is taken as given.
      class Pairing
        # `switch` are URLs that it links to under the name of a language; `images` those that few other pages show.
        Page = Struct.new(:url, :lang, :title, :images, :switch, keyword_init: true)
        # A set of pages by language, with the reasons for which they belong together, and whether they all name each
        # other already.
        Proposal = Struct.new(:pages, :reasons, keyword_init: true)

        REASONS = {
          named: "some of them name each other",
          switch: "their switch of languages links them",
          path: "their paths are the same below the language",
          slug: "the last part of their addresses is the same",
          code: "they have the same product code",
          images: "they show the same images"
        }.freeze
        FOLDER = %r{/([a-zA-Z]{2}(?:-[a-zA-Z]{2})?)(?=/|\z)}
        NAME = /[._-]([a-z]{2,3})(?:[-_][a-z]{2})?(?=\.[a-z0-9]+\z|\z)/i
        # What more pages of one language share tells none of them.
        MOST_SHARING = 1

        # @param pages [Array<Page>] that may be indexed
        # @param languages [OfPlaces]
        # @param named [Array<Array(String, String)>] URLs that name each other
        def initialize(pages, languages, named)
          @pages = pages.to_h { |page| [page.url, page] }
          @languages = pages.to_h { |page| [page.url, languages.of(page.url, page.lang)] }
          @named = named.select { |pair| pair.all? { |url| @pages.key?(url) } }
          @sets = {}
          @why = Hash.new { |all, set| all[set] = {} }.compare_by_identity
        end

        # @return [Array<Proposal>] sets of at least two languages of which not all members name each other, by their
        #   first URL
        def call
          pairs { |one, other, why| join(one, other, why) }
          whole = @named.to_h { |pair| [pair.sort, true] }
          @sets
            .values
            .uniq(&:object_id)
            .reject { |set| whole?(set, whole) }
            .map { |set| Proposal.new(pages: set.sort.to_h, reasons: @why[set].keys.map { |why| REASONS.fetch(why) }) }
            .sort_by { |one| one.pages.values.min }
        end

        private

        # The surest first: a set takes one page of each language, and whichever comes first stays.
        def pairs(&block)
          @named.each { |one, other| block.call(one, other, :named) }
          @pages.each_value do |page|
            page.switch.each { |target| block.call(page.url, target, :switch) if @pages.key?(target) }
          end
          gathered(:path) { |page| [path_below_language(page.url)] }.each { |pair| block.call(*pair) }
          gathered(:code) do |page|
            Redirects::Naming.codes("#{Redirects::Naming.slug(page.url)} #{page.title}")
          end.each { |pair| block.call(*pair) }
          gathered(:slug) { |page| [Redirects::Naming.slug(page.url)].reject(&:empty?) }.each do |pair|
            block.call(*pair)
          end
          gathered(:images) { |page| page.images.empty? ? [] : [page.images.sort] }.each { |pair| block.call(*pair) }
        end

        # Pages of different languages that share a key which is rare in each of them.
        def gathered(why)
          shared =
            @pages
              .each_value
              .with_object({}) { |page, found| yield(page).each { |key| (found[key] ||= []) << page.url } }
          shared.each_value.flat_map do |urls|
            by_language = urls.uniq.group_by { |url| @languages[url] }
            next [] if by_language.size < 2 || by_language.any? { |_, ones| ones.size > MOST_SHARING }

            by_language.values.flatten.each_cons(2).map { |one, other| [one, other, why] }
          end
        end

        # Without the first folder that is called as a language, else without its own in the name of the file: of
        # /doc/fr/oil, and of /oil.fr.html where it is in French.
        def path_below_language(url)
          path = url.sub(%r{\Ahttps?://[^/]+}, "")
          folder = path.scan(FOLDER).flatten.find { |code| Codes::LANGUAGES.key?(code[0, 2].downcase) }
          return path.sub(%r{/#{folder}(?=/|\z)}, "").then { |rest| rest.empty? ? "/" : rest } if folder

          path.sub(NAME) { ($~[1].downcase == @languages[url]) ? "" : $~[0] }
        end

        def join(one, other, why)
          first, second = set(one), set(other)
          return @why[first][why] = true if first.equal?(second)
          return if first.keys.intersect?(second.keys)

          first.merge!(second)
          second.each_value { |url| @sets[url] = first }
          @why[first].merge!(@why.delete(second) || {}, {why => true})
        end

        def set(url) = @sets[url] ||= {@languages[url].to_s => url}

        def whole?(set, whole) = set.size < 2 || set.values.sort.combination(2).all? { |pair| whole.key?(pair) }
      end
    end
  end
end
