# frozen_string_literal: true

module IronTrellis
  module Store
    module Ledger
      # Predicates of the job as conditions on rows of the ledger. Each has its twin in the core, and one test holds
      # both to the same cases.
      module Scopes
        module_function

        # (see Core::Sitemaps::Belonging.belongs?)
        #
        # @param pdfs [Boolean]
        # @param of [String] the name that the statement gives the table, with its point
        # @return [String]
        def belongs_in_sitemaps(pdfs:, of: "")
          kinds = Core::Sitemaps::Belonging.kinds(pdfs).map { |kind| "'#{kind}'" }.join(", ")
          "(#{of}kind IN (#{kinds}) AND #{of}status = 200 AND #{of}wanted AND #{of}indexable AND (#{of}stop IS NULL " \
          "OR #{of}stop = '#{Core::Sitemaps::Belonging::BY_INDEX}') " \
            "AND (#{of}chosen_canonical IS NULL OR #{of}chosen_canonical = #{of}url))"
        end

        # Pages that would belong in sitemaps if they were wanted and said no noindex: all other rungs that a crawl
        # judges are passed.
        #
        # @return [String]
        def listable
          judged_otherwise = "'#{Core::Ladder::Rungs::Open::NAME}', '#{Core::Sitemaps::Belonging::BY_INDEX}'"
          "(kind = 'html' AND status = 200 AND copy_of IS NULL AND NOT soft_missing AND (chosen_canonical IS NULL OR " \
          "chosen_canonical = url) AND CASE WHEN noindex THEN " \
            "NOT EXISTS (SELECT 1 FROM jsonb_array_elements(climb) rung WHERE rung ->> 'state' = 'stop' AND rung ->> " \
            "'rung' NOT IN (#{judged_otherwise})) " \
            "ELSE indexable AND (stop IS NULL OR stop = '#{Core::Sitemaps::Belonging::BY_INDEX}') END)"
        end
      end
    end
  end
end
