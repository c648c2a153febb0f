# frozen_string_literal: true

module IronTrellis
  module Work
    module Desk
      # Structured data of a page at the desk: what it has, what schema.org says of that, and what could be written from
      # what it says.
      class MarkingUp
        Data = Core::StructuredData
        MOST_PROPERTIES = 40

        # @param run [Store::Judging::VerdictRun]
        # @param row [Hash] url_id and url
        # @param page [Core::Desk::Page]
        def initialize(run, row, page)
          @run, @row, @page = run, row, page
          @stored = Store::Desk::StoredPage.new(Store::Postgres::Partitions.of_run(run), row["url_id"])
          @vocabulary = Ports::Vocabularies.schema_org
        end

        # @return [Hash] items, problems and kinds, for JSON
        def call
          facts = @stored.data
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
          @stored.data_of_all.each { |items| facts.add("", items.map { |one| Data::Item.from(one) }) }
          found = facts.businesses.max_by(&:pages) or return
          {"name" => found.name, "telephone" => found.telephones.first, "address" => found.address}.compact
        end

        # The folders above the page that are pages themselves.
        def trail
          origin, path = @row["url"].match(%r{\A(https?://[^/]+)(/[^?]*)}).captures
          names = path.split("/", -1)
          folders = names.each_index.map { |place| "#{origin}#{names[0..place].join("/")}/" }.uniq
          titles =
            Store::Ledger::Lookup
              .new(@run)
              .titles([*folders, @row["url"]].uniq)
              .transform_values { |title| title.to_s.sub(Data::Building::SITE_NAME, "") }
          [*folders, @row["url"]].uniq.filter_map { |url| [titles[url], url] if titles[url] }
        end
      end
    end
  end
end
