# frozen_string_literal: true

module IronTrellis
  module Core
    module Ledger
      # What is said of a URL by its row, each named once. Store::Ledger::Scopes has the same as conditions of SQL, and
      # one test holds both to the same cases.
      module Predicates
        CLIENT_ERRORS = (400..499)
        LEAST_ERROR = 400
        SHUT = "allowed"

        module_function

        # @param row [#kind]
        # @return [Boolean] whether it may be a page or document of the site: no resource, nothing of another site
        def document?(row) = !Page::Kind::NO_DOCUMENTS.include?(row.kind)

        # @param row [#status]
        # @return [Boolean] whether the server says that it isn't there or can't be had
        # @example
        #   Predicates.missing?(Struct.new(:status).new(410)) # => true
        def missing?(row) = !row.status.nil? && CLIENT_ERRORS.cover?(row.status)

        # @param row [#status, #error]
        # @return [Boolean] whether no content came: an error was answered, or nothing
        def broken?(row) = row.status ? row.status >= LEAST_ERROR : !row.error.nil?

        # Something leads to it, and it answers that it isn't there, or leads to nothing that is. What says that it is
        # gone (410, RFC 9110 15.5.11) was sent away on purpose.
        #
        # @param row [#kind, #status, #redirect_to, #final_url, #final_status, #links_in, #in_sitemaps, #found_by]
        # @return [Boolean]
        def lost?(row) = document?(row) && led_to?(row) && (gone_unsaid?(row) || leads_nowhere?(row))

        # @param row [#kind, #indexable, #soft_missing, #words]
        # @return [Boolean] whether it may be a copy: a page that may be indexed, has words, and doesn't read as missing
        def comparable?(row) = row.kind == "html" && row.indexable && !row.soft_missing && (row.words || 0).positive?

        # @param row [#kind, #status, #redirect_to, #importance]
        # @return [Boolean] whether it is a page or document of its own: what is said of it is said of itself, not of
        #   what leads to it
        def own_page?(row) =
          document?(row) && !row.status.nil? && row.status < 300 && row.redirect_to.nil? && !row.importance.nil?

        # @param row [#kind, #fetched_at, #stop]
        # @return [Boolean] whether it is known and was never asked for, though robots.txt would let it
        def never_fetched?(row) = row.kind != Page::Kind::EXTERNAL && row.fetched_at.nil? && row.stop != SHUT

        def led_to?(row) = (row.links_in || 0).positive? || row.in_sitemaps.any? || row.found_by.any?

        def gone_unsaid?(row) = missing?(row) && row.status != Redirects::Route::GONE

        def leads_nowhere?(row)
          !row.redirect_to.nil? && (row.final_url.nil? || !row.final_status.nil? && row.final_status >= LEAST_ERROR)
        end

        private_class_method :led_to?, :gone_unsaid?, :leads_nowhere?
      end
    end
  end
end
