# frozen_string_literal: true

module IronTrellis
  module Work
    module Workplan
      class Texts
        # The sitemap files of a host as they shall be once what comes before is done, under the names that they are
        # published under; under our usual names where there are none, or where one of them would be too long.
        module Sitemaps
          KIND = "sitemaps"
          # A wanted page that one of these keeps out belongs there when it is mended.
          SOON = %w[noindex-wanted].freeze
          PACKED = ".gz"
          INDEX = "index"

          module_function

          # @param subject [Subject]
          # @param texts [Texts]
          # @return [Hash{String => String}] by name
          def files(subject, texts)
            host = listings(texts).fetch(subject.place, [])
            published =
              texts.written.published.select { |file| Core::Url::Authority.of(file["url"]) == subject.place }
            placed(host, published) || written_anew(host)
          end

          # By host, since all are read in one go.
          def listings(texts)
            texts.memo(:listings) do
              found = Hash.new { |all, host| all[host] = [] }
              Store::Sitemaps::Listings
                .new(texts.run, texts.site, texts.site.sitemap_plan, Time.now, soon: SOON, own: own(texts.run))
                .each { |row| found[row.origin[%r{[^/]+\z}]] << row }
              found.default = nil
              found
            end
          end

          # Pages that will name themselves once the canonicals are right.
          def own(run)
            told = Store::Workplan::FaultsOfPages.diverted(run)
            faults = told.select { |row| Core::Workplan::Kinds.of(row["code"]) == "canonicals" }
            remedies = RemediesOfSite.for(run, faults)
            urls = faults.group_by { |fault| fault["url"] }.select { |url, some| remedies.canonical(url, some) == url }
            urls.keys.map { |url| Core::Url::NormalForm.id(run.crawl.site_id, url) }
          end

          # @return [Hash{String => String}, nil]
          def placed(rows, published)
            lists = published.reject { |file| file["kind"] == INDEX }
            return if lists.empty?

            homes = homes(rows, lists)
            by_file = rows.group_by { |row| homes[row.listing.url] }
            return if by_file.any? { |_, some| some.size > Core::Sitemaps::Checks::MOST_ENTRIES }

            dates = by_file.transform_values { |some| some.filter_map { |row| row.listing.lastmod }.max }
            published.to_h do |file|
              url = file["url"]
              [name(url), (file["kind"] == INDEX) ? index(url, lists, dates) : list(by_file.fetch(url, []))]
            end
          end

          # Where each stands now; one that stands nowhere where most of its group do, else in the first file.
          def homes(rows, lists)
            now = lists.flat_map { |file| file["urls"].map { |url| [url, file["url"]] } }.reverse.to_h
            usual =
              rows
                .group_by(&:group)
                .transform_values { |some| some.filter_map { |row| now[row.listing.url] }.tally.max_by(&:last)&.first }
            rows.to_h do |row|
              url = row.listing.url
              [url, now[url] || usual[row.group] || lists.first["url"]]
            end
          end

          def index(url, lists, dates)
            named = lists.select { |file| file["parent"] == url }.map { |file| [file["url"], dates[file["url"]]] }
            Core::Sitemaps::Xml.index(named)
          end

          def list(rows) =
            Core::Sitemaps::Xml.head + rows.map { |row| Core::Sitemaps::Xml.entry(row.listing) }.join +
              Core::Sitemaps::Xml.tail

          def name(url) = url[%r{\Ahttps?://[^/]+/(.*)\z}, 1].delete_suffix(PACKED)

          def written_anew(rows)
            return {} if rows.empty?

            files = {}
            writer =
              Core::Sitemaps::Writer.new("#{rows.first.origin}/") { |name| Sink.new { |text| files[name] = text } }
            rows.each { |row| writer.add(row.listing) }
            writer.finish
            files
          end

          # Takes the text of one file.
          class Sink
            def initialize(&done)
              @text = +""
              @done = done
            end

            def <<(text) = tap { @text << text }

            def close = @done.call(@text)
          end
          private_class_method :listings, :own, :placed, :homes, :index, :list, :name, :written_anew
        end
      end
    end
  end
end
