# frozen_string_literal: true

module IronTrellis
  module Store
    module Ledger
      # Predicates of the job as conditions on rows of the ledger. Each has its twin in the core, and one test holds
      # both to the same cases. `of` is the name that the statement gives the table, with its point.
      module Scopes
        ERROR = Core::Ledger::Predicates::LEAST_ERROR

        module_function

        # (see Core::Ledger::Predicates.document?)
        #
        # @return [String]
        def document(of: "") =
          "(#{of}kind IS NULL OR #{of}kind NOT IN ('#{Core::Page::Kind::NO_DOCUMENTS.join("', '")}'))"

        # (see Core::Ledger::Predicates.missing?)
        #
        # @return [String]
        def missing(of: "")
          errors = Core::Ledger::Predicates::CLIENT_ERRORS
          "(#{of}status BETWEEN #{errors.begin} AND #{errors.end})"
        end

        # (see Core::Ledger::Predicates.broken?)
        #
        # @return [String]
        def broken(of: "") = "(#{of}status >= #{ERROR} OR #{of}status IS NULL AND #{of}error IS NOT NULL)"

        # (see Core::Ledger::Predicates.lost?)
        #
        # @return [String]
        def lost(of: "")
          "(#{document(of: of)} AND (#{missing(of: of)} AND #{of}status <> #{Core::Redirects::Route::GONE} OR " \
          "#{of}redirect_to IS NOT NULL AND (#{of}final_url IS NULL OR #{of}final_status >= #{ERROR})) AND " \
            "(#{of}links_in > 0 OR cardinality(#{of}in_sitemaps) > 0 OR cardinality(#{of}found_by) > 0))"
        end

        # (see Core::Ledger::Predicates.never_fetched?)
        #
        # @return [String]
        def never_fetched(of: "") =
          "(#{of}kind IS DISTINCT FROM '#{Core::Page::Kind::EXTERNAL}' AND #{of}fetched_at IS NULL AND #{of}stop IS " \
            "DISTINCT FROM '#{Core::Ledger::Predicates::SHUT}')"

        # (see Core::Ledger::Predicates.own_page?)
        #
        # @return [String]
        def own_page(of: "") =
          "(#{document(of: of)} AND #{of}status < 300 AND #{of}redirect_to IS NULL AND #{of}importance IS NOT NULL) " \
            "IS TRUE"

        # (see Core::Ledger::Predicates.comparable?)
        #
        # @return [String]
        def comparable(of: "") =
          "(#{of}kind = 'html' AND #{of}indexable AND NOT #{of}soft_missing AND #{of}words > 0)"

        # (see Core::Sitemaps::Belonging.belongs?)
        #
        # @param pdfs [Boolean]
        # @return [String]
        def belongs_in_sitemaps(pdfs:, of: "")
          kinds = Core::Sitemaps::Belonging.kinds(pdfs).map { |kind| "'#{kind}'" }.join(", ")
          "(#{of}kind IN (#{kinds}) AND #{of}status = 200 AND #{of}wanted AND #{of}indexable AND (#{of}stop IS NULL " \
          "OR #{of}stop = '#{Core::Sitemaps::Belonging::BY_INDEX}') " \
            "AND (#{of}chosen_canonical IS NULL OR #{of}chosen_canonical = #{of}url))"
        end

        # (see Core::Sitemaps::Belonging.listable?)
        #
        # @return [String]
        def listable(of: "")
          judged_otherwise = "'#{Core::Sitemaps::Belonging::JUDGED_OTHERWISE.join("', '")}'"
          "(#{of}kind = 'html' AND #{of}status = 200 AND #{of}copy_of IS NULL AND NOT #{of}soft_missing AND " \
          "(#{of}chosen_canonical IS NULL OR #{of}chosen_canonical = #{of}url) AND CASE WHEN #{of}noindex THEN " \
            "NOT EXISTS (SELECT 1 FROM jsonb_array_elements(#{of}climb) rung WHERE rung ->> 'state' = 'stop' AND " \
            "rung ->> 'rung' NOT IN (#{judged_otherwise})) " \
            "ELSE #{of}indexable AND (#{of}stop IS NULL OR #{of}stop = '#{Core::Sitemaps::Belonging::BY_INDEX}') END)"
        end
      end
    end
  end
end
