# frozen_string_literal: true

module IronTrellis
  module Core
    module StructuredData
      # What an item of a type must tell so that search engines can show it (common practice; schema.org itself requires
      # nothing). Each requirement is one property, or several of which one is enough.
      module Requirements
        BY_TYPE = {
          "AggregateRating" => [%w[ratingValue], %w[ratingCount reviewCount]],
          "Article" => [%w[headline name]],
          "BlogPosting" => [%w[headline name]],
          "BreadcrumbList" => [%w[itemListElement]],
          "Event" => [%w[name], %w[startDate], %w[location]],
          "FAQPage" => [%w[mainEntity]],
          "JobPosting" => [%w[title], %w[description], %w[datePosted], %w[hiringOrganization]],
          "ListItem" => [%w[position]],
          "LocalBusiness" => [%w[name], %w[address]],
          "NewsArticle" => [%w[headline]],
          "Offer" => [%w[price priceSpecification], %w[priceCurrency priceSpecification]],
          "Product" => [%w[name], %w[offers review aggregateRating]],
          "Question" => [%w[name text], %w[acceptedAnswer suggestedAnswer]],
          "Recipe" => [%w[name], %w[image]],
          "Review" => [%w[author], %w[reviewRating]],
          "VideoObject" => [%w[name], %w[thumbnailUrl], %w[uploadDate]]
        }.freeze

        module_function

        # @param item [Item]
        # @return [Array<Array(String, String)>] type and what it lacks, e.g. ["Product", "offers or review or
        #   aggregateRating"]
        def lacking(item)
          item.types.flat_map do |type|
            BY_TYPE
              .fetch(type, [])
              .reject { |names| names.any? { |name| present?(item.properties[name]) } }
              .map { |names| [type, names.join(" or ")] }
          end
        end

        def present?(values) = values&.any? { |value| value.is_a?(Item) || !value.empty? }
        private_class_method :present?
      end
    end
  end
end
