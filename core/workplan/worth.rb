# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # What fixes free: of each URL its importance times the gravest grade. What stops or diverts a URL in several
      # fixes is free only when all are done, so that they share it in equal parts; a fix that only mends what weakens
      # it counts that for itself.
      class Worth
        WEAKENS = Entry::GRADES.fetch("weakens")
        DIGITS = 1
        SHARE_DIGITS = 4
        # What a fix is worth by one URL.
        Part = Struct.new(:url, :importance, :grade, :share, keyword_init: true)

        # @param drafts [Array<Draft>] all that there are
        def initialize(drafts)
          @grave = Hash.new { |urls, url| urls[url] = [0.0, 0] }
          drafts.each do |draft|
            grades(draft).each do |url, grade|
              next unless grade > WEAKENS

              worst, times = @grave[url]
              @grave[url] = [[worst, grade].max, times + 1]
            end
          end
        end

        # @param draft [Draft]
        # @return [Array<Part>] what is worth most first
        def parts(draft)
          importance = draft.entries.to_h { |entry| [entry.url, entry.importance.to_f] }
          found =
            grades(draft).map do |url, grade|
              worst, times = (grade > WEAKENS) ? @grave[url] : [grade, 1]
              Part.new(url: url, importance: importance[url], grade: worst, share: (1.0 / times).round(SHARE_DIGITS))
            end
          found.sort_by { |part| [-part.importance * part.grade * part.share, part.url] }
        end

        # @param draft [Draft]
        # @return [Float]
        def of(draft)
          parts =
            grades(draft).sum do |url, grade|
              worst, times = (grade > WEAKENS) ? @grave[url] : [grade, 1]
              importance_of(draft, url) * worst / times
            end
          parts.round(DIGITS)
        end

        private

        def importance_of(draft, url) =
          (
            (@importance ||= {}.compare_by_identity)[draft] ||= draft.entries.to_h do |one|
              [one.url, one.importance.to_f]
            end
          )[
            url
          ]

        # By URL the gravest of it; what is of a group as a whole is of no URL.
        def grades(draft) =
          draft
            .entries
            .each_with_object({}) do |entry, found|
              next if entry.url.nil? || entry.grade.zero?

              found[entry.url] = entry.grade if entry.grade > found.fetch(entry.url, 0.0)
            end
      end
    end
  end
end
