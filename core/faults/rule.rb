# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      # What all rules share: a rule is a class with constants that describe it and one method that judges.
      #
      #   CODE "title-missing" TITLE the same in plain words GRADE "stops", "diverts" or "weakens" WHY why it matters
      #   FIX how to mend it SOURCE where the rule comes from ("CP" is common practice) ABOUT what its faults are about,
      #   as a heading; none where they are about the URL alone SAME what its faults are gathered by ("about", or what
      #   the detail calls so), where that isn't what they are about
      #
      # PageRule judges one page, LinkRule a link and its target, SetRule pages that share a value, SiteRule the files
      # and hosts of the site.
      class Rule
        GRADES = %w[stops diverts weakens].freeze

        class << self
          # @return [String]
          def code = self::CODE

          # @return [String] one of GRADES
          def grade = self::GRADE

          # @return [String]
          def title = self::TITLE

          # @return [String, nil] what a fault's `about` is, as a heading
          def about = const_defined?(:ABOUT) ? self::ABOUT : nil

          # @return [String, nil] "about" or a key of the detail: what is the same on many pages; nil where each fault
          #   stands alone
          def same = const_defined?(:SAME) ? self::SAME : (about && "about")

          # @return [Boolean] whether it is worth a note only, and weighs nothing
          def note? = const_defined?(:NOTE)

          # A fault on a URL that is to be kept out is told only where it lets the URL climb.
          def lets_climb? = false

          # @param fault [Fault]
          # @return [String, nil] what it is about, as far as that stays the same from crawl to crawl (never a line
          #   number)
          def stable_about(fault) = fault.about

          # @return [Array<Class>] the rules of this shape, by code
          def all = Registry.all.select { |rule| rule < self }
        end

        # @param settings [Settings::Thresholds]
        def initialize(settings)
          @settings = settings
        end

        private

        attr_reader :settings

        def fault(page, about: nil, **detail) = fault_at(page.url, about: about, **detail)

        def fault_at(url, about: nil, **detail)
          Fault.new(code: self.class.code, grade: self.class.grade, url: url, about: about, detail: detail)
        end
      end
    end
  end
end
