# frozen_string_literal: true

module IronTrellis
  module Core
    module Sitemaps
      # What the video and news extensions want of a page, where its structured data say it; nothing is made up.
      module FromData
        # The news extension is for articles of the last two days.
        NEWS_SECONDS = 2 * 24 * 3600

        module_function

        # @param items [Array<StructuredData::Item>] of a page
        # @return [Hash{String => String}, nil] elements of the video extension, nil where something that it requires
        #   isn't known
        def video(items)
          item = items.flat_map(&:all).find { |one| one.types.include?("VideoObject") } or return
          texts =
            {
              "thumbnail_loc" => "thumbnailUrl",
              "title" => "name",
              "description" => "description",
              "content_loc" => "contentUrl",
              "player_loc" => "embedUrl"
            }.transform_values { |name| text(item, name) }.compact
          if %w[thumbnail_loc title description].all? { |name| texts.key?(name) } &&
              (texts.key?("content_loc") || texts.key?("player_loc"))
            texts
          end
        end

        # @param items [Array<StructuredData::Item>] of a page
        # @param language [String, nil] the page's
        # @param now [Time]
        # @return [Hash{String => String}, nil] elements of the news extension, nil for what is older or isn't known
        #   well enough
        def news(items, language, now)
          item = items.flat_map(&:all).find { |one| one.types.include?("NewsArticle") } or return
          published = text(item, "datePublished")
          time = published && Date.read(published)
          return if time.nil? || !(now - NEWS_SECONDS..now).cover?(time)

          publisher =
            item
              .properties
              .fetch("publisher", [])
              .grep(StructuredData::Item)
              .filter_map { |one| text(one, "name") }
              .first
          texts = {
            "name" => publisher,
            "language" => language && language[/\A[a-zA-Z]+/]&.downcase,
            "publication_date" => published,
            "title" => text(item, "headline")
          }
          texts if texts.values.all?
        end

        def text(item, name) = item.properties.fetch(name, []).grep(String).map(&:strip).reject(&:empty?).first
        private_class_method :text
      end
    end
  end
end
