# frozen_string_literal: true

module IronTrellis
  module Store
    module Links
      # The columns of the table of links: the page that a link stands on, the link, and where it leads.
      class Fields
        TYPES = Core::Page::Link.types.freeze
        PLACES = Core::Page::Link.places.freeze
        IMAGE = Pages::FactsRows::TYPES.fetch("image")
        NAMES = ->(names, column) { "(ARRAY['#{names.join("', '")}'])[#{column} + 1]" }

        # By name: the kind of value, and where it comes from (k the link, s the row of its page in the ledger, t that
        # of its target, if it has one, u the target's address).
        COLUMNS = {
          "source" => [:text, "s.url"],
          "source_group" => [:set, 's."group"'],
          "source_importance" => [:number, "s.importance"],
          "text" => [:text, "k.text"],
          "alt" => [
            :set,
            "CASE WHEN k.type = #{IMAGE} THEN CASE WHEN k.text IS NULL THEN 'missing' WHEN k.text = '' THEN 'empty' " \
            "ELSE 'given' END END"
          ],
          "type" => [:set, NAMES.call(TYPES, "k.type")],
          "place" => [:set, NAMES.call(PLACES, "k.place")],
          "rel" => [:text, "k.rel"],
          "followed" => [:flag, "k.followed"],
          "internal" => [:flag, "k.internal"],
          "target" => [:text, "u.url"],
          "target_host" => [:set, "split_part(u.url, '/', 3)"],
          "target_group" => [:set, 't."group"'],
          "target_kind" => [:set, "t.kind"],
          "target_status" => [:number, "t.status"],
          "target_error" => [:set, "t.error"],
          "target_final" => [:text, "nullif(t.final_url, t.url)"],
          "target_final_status" => [:number, "CASE WHEN t.redirect_to IS NOT NULL THEN t.final_status END"],
          "target_stop" => [:set, "t.stop"],
          "target_noindex" => [:flag, "t.noindex"],
          "target_wanted" => [:flag, "t.wanted"],
          "target_bytes" => [:number, "t.bytes"],
          "target_importance" => [:number, "t.importance"],
          "target_links_in" => [:number, "t.links_in"]
        }.freeze
        FRACTIONS = %w[source_importance target_importance].freeze
        # The ends of a link by which indexes find it.
        ENDS = {"source" => "k.source_id", "target" => "k.target_id"}.freeze

        # @return [Array<String>]
        def self.names = COLUMNS.keys

        # @param crawl [Crawling::Crawl]
        def initialize(crawl)
          @site_id = crawl.site_id
        end

        # @param name [String]
        # @return [Symbol] as of the ledger's columns
        # @raise [Core::Error::InvalidInput]
        def kind(name) = column(name).first

        # @param name [String]
        # @return [String] an SQL expression
        # @raise [Core::Error::InvalidInput]
        def sql(name) = column(name).last

        # @param name [String]
        # @param value [Object]
        # @return [Array(String, Integer), nil] the column and the value by which an index finds what has exactly this
        #   value; nil where there is none
        def exactly(name, value)
          [ENDS.fetch(name), Core::Url::NormalForm.id(@site_id, value)] if ENDS.key?(name) && value.is_a?(String)
        end

        private

        def column(name) =
          COLUMNS.fetch(name) do
            raise Core::Error::InvalidInput.new(
              "The table of links has no column “#{name}”.",
              field: name,
              known: COLUMNS.keys
            )
          end
      end
    end
  end
end
