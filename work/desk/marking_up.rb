# frozen_string_literal: true

module IronTrellis
  module Work
    module Desk
      # Structured data of a page at the desk: what it has, what schema.org says of that, and what could be written from
      # what it says.
      class MarkingUp
        Data = Core::StructuredData
        BUSINESS = "SELECT data FROM %<page_facts>s WHERE data IS NOT NULL LIMIT 5000"
        ABOVE = "SELECT url, title FROM %<ledger>s WHERE url = ANY($1::text[]) AND status = 200"
        FACTS = "SELECT data, data_problems FROM %<page_facts>s WHERE url_id = $1"
        MOST_PROPERTIES = 40

        # @param run [Store::Judging::VerdictRun]
        # @param row [Hash] url_id and url
        # @param page [Core::Desk::Page]
        def initialize(run, row, page)
          @run, @row, @page = run, row, page
          @names = Store::Postgres::Partitions.of_run(run)
          @vocabulary = Ports::Vocabularies.schema_org
        end

        # @return [Hash] items, problems and kinds, for JSON
        def call
          facts = Store::Postgres::Sql.rows(format(FACTS, @names), [@row["url_id"]]).first || {}
          {
            items: (facts["data"] || []).map { |one| item(Data::Item.from(one)) },
            problems: facts["data_problems"] || [],
            kinds: Data::Building::KINDS.keys.map { |kind| {kind: kind, lacking: building.lacking(kind)} },
            local: @vocabulary.kinds_below("LocalBusiness")
          }
        end

        # @param kinds [Array<String>]
        # @param local [String, nil] which kind of local business
        # @return [String] JSON-LD
        # @raise [Core::Error::InvalidInput]
        def write(kinds, local)
          local ||= "LocalBusiness"
          known = kinds.is_a?(Array) && kinds.any? && (kinds - Data::Building::KINDS.keys).empty?
          raise Core::Error::InvalidInput.new("Choose among #{Data::Building::KINDS.keys.join(", ")}.") unless known
          unless @vocabulary.kinds_of(local).include?("LocalBusiness")
            raise Core::Error::InvalidInput.new("#{local} is no kind of local business by schema.org.")
          end

          building(local).json(kinds)
        end

        private

        def item(item)
          type = item.types.find { |one| @vocabulary.type?(one) }
          {
            types: item.types,
            properties: item.properties.transform_values { |values| values.map { |one| short(one) } },
            lacking: Data::Requirements.lacking(item).map { |kind, names| "#{kind} lacks #{names}" },
            unknown: @vocabulary.unknown(item),
            possible: type ? (@vocabulary.properties(type) - item.properties.keys).first(MOST_PROPERTIES) : []
          }
        end

        def short(value) = value.is_a?(Data::Item) ? value.types.join(", ") : value.to_s[0, 300]

        def building(local = "LocalBusiness") = Data::Building.new(facts, local: local)

        def facts
          @facts ||=
            Data::Building::Facts.new(
              url: @row["url"],
              title: @page.title,
              h1: @page.h1.first,
              description: @page.description,
              pictures: @page.pictures.to_a.map(&:first).first(3),
              questions: Data::Building.questions(@page.outline.to_a, @page.of("text")),
              trail: trail,
              business: business
            )
        end

        # As most pages write it.
        def business
          facts = Data::BusinessFacts.new
          Store::Postgres::Sql.rows(format(BUSINESS, @names)).each do |row|
            facts.add("", row["data"].map { |one| Data::Item.from(one) })
          end
          found = facts.businesses.max_by(&:pages) or return
          {"name" => found.name, "telephone" => found.telephones.first, "address" => found.address}.compact
        end

        # The folders above the page that are pages themselves.
        def trail
          origin, path = @row["url"].match(%r{\A(https?://[^/]+)(/[^?]*)}).captures
          names = path.split("/", -1)
          folders = names.each_index.map { |place| "#{origin}#{names[0..place].join("/")}/" }.uniq
          titles =
            Store::Postgres::Sql
              .rows(format(ABOVE, @names), [Store::Postgres::Sql.array([*folders, @row["url"]].uniq)])
              .to_h { |row| [row["url"], row["title"].to_s.sub(Data::Building::SITE_NAME, "")] }
          [*folders, @row["url"]].uniq.filter_map { |url| [titles[url], url] if titles[url] }
        end
      end
    end
  end
end
