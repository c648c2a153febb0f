# frozen_string_literal: true

module IronTrellis
  module Work
    module Intents
      # Saying what is wanted of a site's pages: by patterns and key pages, as a whole.
      module UpdateIntents
        module_function

        # @param site [Store::Sites::Site]
        # @param intents [Array<Hash>] {"pattern", "intent"}, the one that wins first
        # @param key_pages [Array<String>] URLs
        # @param by [String] who says so
        # @param now [Time]
        # @param exceptions [Boolean] whether what was decided for single URLs stays
        # @return [void]
        # @raise [Core::Error::InvalidInput]
        def replace(site, intents:, key_pages:, by:, now:, exceptions: false)
          urls = key_pages.map { |url| Core::Url::NormalForm.of(url) }.uniq
          intents.each { |one| check(one) }
          wishes = intents.reverse.to_h { |one| [one["pattern"].strip, {"intent" => one["intent"]}] }
          over = site.decisions.values("intent").keys - wishes.keys
          over = over.reject { |subject| Core::Url::Pattern.new(subject).exact? } if exceptions
          site.transaction do
            site.decisions.decide("intent", over.to_h { |subject| [subject, nil] }.merge(wishes), by: by, now: now)
            site.replace_key_pages(urls)
          end
        end

        # The same, with the pages judged again where that changes anything; what was decided for single URLs stays.
        #
        # @return [void]
        # @raise [Core::Error::InvalidInput]
        def change(site, intents:, key_pages:, by:, now:)
          before = wishes(site)
          replace(site, intents: intents, key_pages: key_pages, by: by, now: now, exceptions: true)
          Judging::JudgingQueue.changed(site, now: now) unless wishes(site) == before
        end

        def wishes(site) = [site.decisions.values("intent"), site.key_pages.reload.pluck(:url).sort]

        def check(one)
          Core::Url::Pattern.new(one["pattern"])
          return if Core::Groups::Intents::NAMES.include?(one["intent"])

          raise Core::Error::InvalidInput.new(
                  "“#{one["intent"]}” is no intent. Use one of #{Core::Groups::Intents::NAMES.join(", ")}."
                )
        end
        private_class_method :wishes, :check
      end
    end
  end
end
