# frozen_string_literal: true

module IronTrellis
  module Work
    module Desk
      # The pictures of a page at the desk: what each weighs and shows, who uses it, what an index tells of its address,
      # and how it could be described and called by what stands around it.
      class Pictures
        FOUND = %w[clicks impressions position].freeze
        MOST_NAME = 60

        # @param run [Store::Judging::VerdictRun]
        # @param page [Core::Desk::Page]
        # @param phrases [Array<String>]
        def initialize(run, page, phrases)
          @run, @page, @phrases = run, page, phrases
          @stored = Store::Desk::StoredPage.new(Store::Postgres::Partitions.of_run(run), nil)
        end

        # @return [Array<Hash>] for JSON
        def call
          figures = @page.figures.to_a
          alts = @page.pictures.to_a.to_h
          ids = figures.to_h { |one| [one["url"], Core::Url::NormalForm.id(@run.crawl.site_id, one["url"])] }
          used, rows = @stored.uses(ids.values), @stored.figures(ids.values)
          figures.map { |one| build(one, alts[one["url"]], used[ids[one["url"]]], rows.fetch(ids[one["url"]], {})) }
        end

        private

        def build(figure, alt, used, row)
          said = words(figure)
          {
            **%w[url shown drawn caption heading text].to_h { |name| [name.to_sym, figure[name]] },
            alt: alt,
            bytes: figure["bytes"] || row["bytes"],
            used_by: used || 0,
            found: (row.slice(*FOUND) if row["impressions"].to_i.positive?),
            proposed_alt: (said if alt.to_s.strip.empty?),
            proposed_name: name(figure["url"], said)
          }
        end

        # What stands nearest to it.
        def words(figure) = [figure["caption"], figure["heading"], @phrases.first].compact.reject(&:empty?).first

        # Only where the present name says nothing.
        def name(url, said)
          file = url[%r{([^/?]+)(?:\?.*)?\z}, 1].to_s
          return if said.nil? || !Core::Content::FileName.says_nothing?(url)

          plain = said.unicode_normalize(:nfkd).gsub(/\p{Mn}/, "").downcase.scan(/[a-z0-9]+/).join("-")[0, MOST_NAME]
          "#{plain}#{file[/\.\w+\z/]}"
        end
      end
    end
  end
end
