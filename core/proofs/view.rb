# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      # A page as it answered just now: what the rules see of it (`subject`), what was read in it (`facts`, nil where
      # nothing was), and by which redirects it led where (`hops`, addresses after its own).
      View =
        Struct.new(:subject, :facts, :hops, keyword_init: true) do
          const_set(:FOR_GOOD, [301, 308].freeze)

          # @return [Integer, nil]
          def status = subject.status

          # @return [Boolean] whether it says that the page has moved for good, to where the next answer is no redirect
          def moved_for_good? = self.class::FOR_GOOD.include?(status) && hops.size == 1

          # @param url [String, nil]
          # @return [Boolean]
          def moved_for_good_to?(url) = moved_for_good? && hops.first == url

          # @param types [Array<String>] of links
          # @param url [String]
          # @return [Array<Page::Link>] those that lead there
          def links_to(url, types) = (facts&.links || []).select { |one| one.target == url && types.include?(one.type) }

          # @return [String] the answer in words
          def explain
            return "it is blocked by robots.txt" if subject.robots_allowed == false
            return "no answer: #{subject.error}" if status.nil?
            return "it answers #{status}" if hops.empty?

            ending = subject.final_status ? ", which answers #{subject.final_status}" : ""
            "it answers #{status} and leads to #{hops.last}#{" in #{hops.size} hops" if hops.size > 1}#{ending}"
          end
        end
    end
  end
end
