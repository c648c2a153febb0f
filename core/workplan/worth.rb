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
        GRADES = Entry::GRADES
        # What a fix is worth by one URL: its importance, its gravest grade (a word) and the share that is this fix's.
        Part = Struct.new(:url, :importance, :grade, :share, keyword_init: true) do
          # @param told [Hash{String => Object}] as it is kept
          # @return [Part]
          def self.of(told) = new(**told.slice(*members.map(&:to_s)).transform_keys(&:to_sym))

          # @return [Float]
          def worth = importance * Entry::GRADES.fetch(grade) * share
        end

        # @param parts [Array<Part>]
        # @return [Float] what they come to
        def self.of_parts(parts) = parts.sum(0.0, &:worth).round(DIGITS)

        # @param drafts [Array<Draft>] all that there are
        # @param beside [Array<Array(String, String)>] URLs and their grades in fixes that aren't made anew
        def initialize(drafts, beside: [])
          @grave = Hash.new { |urls, url| urls[url] = [0.0, 0] }
          drafts.each { |draft| grades(draft).each { |url, grade| count(url, grade) } }
          beside.each { |url, grade| count(url, GRADES.fetch(grade)) }
        end

        # @param draft [Draft]
        # @return [Array<Part>] what is worth most first
        def parts(draft)
          found =
            shared(draft).map do |url, importance, worst, times|
              share = (1.0 / times).round(SHARE_DIGITS)
              Part.new(url: url, importance: importance, grade: GRADES.key(worst), share: share)
            end
          found.sort_by { |part| [-part.worth, part.url] }
        end

        # @param draft [Draft]
        # @return [Float] rounded once, from whole shares
        def of(draft) =
          (shared(draft).sum { |_, importance, worst, times| importance * worst / times } + freed(draft)).round(DIGITS)

        private

        # What a group as a whole takes from the pages that should be in the index, for each page of it that is there.
        def freed(draft) =
          draft.entries.select { |entry| entry.url.nil? }.sum(0.0) do |entry|
            WEAKENS * entry.importance.to_f * (entry.detail || {})["in_index"].to_i
          end

        def count(url, grade)
          return unless grade > WEAKENS

          worst, times = @grave[url]
          @grave[url] = [[worst, grade].max, times + 1]
        end

        # URL, importance, the gravest grade of it and among how many fixes it is shared.
        def shared(draft)
          importance = draft.weighing.to_h { |entry| [entry.url, entry.importance.to_f] }
          grades(draft).map { |url, grade| [url, importance[url], *((grade > WEAKENS) ? @grave[url] : [grade, 1])] }
        end

        # By URL the gravest of it; what is of a group as a whole is of no URL.
        def grades(draft) =
          draft
            .weighing
            .each_with_object({}) do |entry, found|
              next if entry.url.nil? || entry.grade.zero?

              found[entry.url] = entry.grade if entry.grade > found.fetch(entry.url, 0.0)
            end
      end
    end
  end
end
