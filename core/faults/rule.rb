# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      # What all rules share: a rule is a class with constants that describe it and one method that judges.
      #
      #   CODE     "title-missing"
      #   TITLE    the same in plain words
      #   GRADE    "stops", "diverts" or "weakens"
      #   WHY      why it matters
      #   FIX      how to mend it
      #   MENDED   what must hold so that it is gone, a sentence with %{about} and %{wanted}, where that is more than
      #            that the rule has nothing to say
      #   TASK     what a ticket that mends it is called, where that isn't told by what is written anew (ELEMENT)
      #   TAKES    there where mending it takes the URL away, so that nothing else has to be done about it
      #   CLOSES   there where mending it only closes the page
      #   OF_HOST  there where it is told of a host, whichever of its pages bears it
      #   WITH     codes of which one must be told of the URL too, or nothing is to be done
      #   KIND     the kind of work that mends it (Workplan::Kinds); none where it makes no fix
      #   ELEMENT  what is written anew of a page to mend it, where that isn't its text
      #   SOURCE   where the rule comes from ("CP" is common practice)
      #   ABOUT    what its faults are about, as a heading; none where they are about the URL alone
      #   SAME     what its faults are gathered by ("about" or a key of the detail), where not by that
      #   DETAILS  names of what its detail tells that Details doesn't know
      #
      # PageRule judges one page, LinkRule a link and its target, SetRule pages that share a value, SiteRule the files
      # and hosts of the site.
      class Rule
        GRADES = %w[stops diverts weakens].freeze
        # Of a fault that is gone where nothing has to hold besides.
        SILENT = "no longer: %{title}"

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

          # @param detail [Hash{String => Object}] of the fault
          # @param chosen [Boolean] whether a canonical was chosen for its URL
          # @return [String, nil] the kind of work that mends it; nil where it makes no fix
          def kind(_detail = {}, chosen: false) = const_defined?(:KIND) ? self::KIND : nil

          # @return [String, nil] what a ticket that mends it is called
          def task = const_defined?(:TASK) ? self::TASK : nil

          # @return [Boolean] whether mending it takes the URL away
          def takes_away? = const_defined?(:TAKES)

          # @return [Boolean] whether mending it only closes the page
          def closes? = const_defined?(:CLOSES)

          # @return [Boolean] whether it is told of a host as a whole
          def of_host? = const_defined?(:OF_HOST)

          # @return [String] one of GRADES, as it counts in what mending it gains
          def weighs = closes? ? GRADES.last : grade

          # @return [Array<String>, nil] codes of which one must be told too, or nothing is to be done
          def only_with = const_defined?(:WITH) ? self::WITH : nil

          # @return [String] what is written anew of a page to mend it: title, description, h1, alt, data, viewport,
          #   text
          def element = const_defined?(:ELEMENT) ? self::ELEMENT : "text"

          # @return [String] what must hold so that it is gone; %{about}, %{wanted} and %{title} stand for those
          def mended = const_defined?(:MENDED) ? self::MENDED : SILENT

          # @return [Hash{String => Array(String, Symbol)}] by key of the detail that is its own, name and kind
          def details = const_defined?(:DETAILS) ? self::DETAILS : {}

          # @return [Boolean] whether it is worth a note only, and weighs nothing
          def note? = const_defined?(:NOTE)

          # A fault on a URL that is to be kept out is told only where it lets the URL climb.
          def lets_climb? = false

          # @param fault [Fault]
          # @return [String, nil] what tells it from others of its code and URL, as far as that stays the same from
          #   crawl to crawl (never a line number)
          def identity(fault) = fault.about

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
