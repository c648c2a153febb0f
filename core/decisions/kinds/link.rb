# frozen_string_literal: true

module IronTrellis
  module Core
    module Decisions
      module Kinds
        # Which links a page shall get, and which of those that were proposed it shall not; the subject is that page.
        module Link
          extend Kind

          # More new links on one page are no help to anybody (common practice).
          MOST = 3
          MOST_TEXT = 200

          class << self
            # @param subject [String]
            # @param value [Hash] links ([{"target", "text"}]) and refused (targets)
            # @return [Array(String, Hash)] subject and value as they are kept
            # @raise [Error::InvalidInput]
            def read(subject, value)
              links = (value["links"] || []).map { |one| link(one) }.uniq { |one| one["target"] }
              problem("A page shall get #{MOST} new links at most.") if links.size > MOST
              refused = (value["refused"] || []).map { |one| Url::NormalForm.of(one.to_s) }.uniq
              [Url::NormalForm.of(subject), {"links" => links, "refused" => refused}]
            end

            private

            def link(one)
              text = one["text"].to_s.strip
              problem("Say which words the link shall have, #{MOST_TEXT} characters at most.") if text.empty? ||
                text.size > MOST_TEXT
              {"target" => Url::NormalForm.of(one["target"].to_s), "text" => text}
            end
          end
        end
      end
    end
  end
end
