# frozen_string_literal: true

module IronTrellis
  module Core
    module Proofs
      # What must hold so that what no rule found is done, as sentences: %{about} is what it is about, %{wanted} what
      # ought to be there. Of their faults the rules say it themselves (MENDED).
      module Wordings
        ALL = {
          "accepted-route" => "leads for good (301 or 308) in one hop to %{wanted}",
          "accepted-link" => "links to %{about}",
          "decided-block" => "is blocked by robots.txt",
          "improve" => "it is written better, and nobody decides so any more",
          "merge" => "leads for good (301 or 308) in one hop to %{about}, which has its text"
        }.freeze
        CANONICAL = "its canonical is %{wanted}, or it leads there for good in one hop"
        OWN_CANONICAL = "its canonical is its own address"
        DRAFTED_DATA = "it has the structured data that were written for it"
        DRAFTED_FACT = "it writes “%{after}”, not “%{before}”"
        DRAFTED = "its %{element} is “%{after}”"
        SENT_TO_GONE = "answers 410"
        UNDECIDED = " (undecided: mend the links to it, redirect it, or write it anew)"
        LISTS = "%{about} doesn't list it, or it may be listed"
      end
    end
  end
end
