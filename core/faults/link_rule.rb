# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      # A rule on links and what they lead to. LINKS says which types it looks at, TARGETS which targets are suspect (:missing answers
      # 4xx, :failing 5xx or not at all, :broken either, :redirecting redirects, :noindexed and :blocked may not be indexed or fetched, :diverted names another page as
      # its canonical, :unanswering is a page that has no such link back, :fuller one that has and names more pages than this one, :outside lies on another host and
      # didn't answer well, :heavy is a heavy image, :numbered may have a file name that says nothing, :unnamed has a link without text, :unencrypted comes over http
      # to a page that comes over https): the store picks those, the rule judges them.
      class LinkRule < Rule
        class << self
          # @return [Array<String>] link types
          def links = self::LINKS

          # @return [Symbol] one of those
          def targets = self::TARGETS
        end

        # @param source [Subject] the page with the link
        # @param target [Subject]
        # @param links [Array<Hash>] every such link: {text:, place:}
        # @return [Fault, nil]
        def check(source, target, links) = raise(NoMethodError, "#{self.class} must define check(source, target, links)")
      end
    end
  end
end
