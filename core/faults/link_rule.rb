# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      # A rule on links and what they lead to. LINKS says which types it looks at, TARGETS which targets are suspect
      # (:missing answers 4xx, :failing 5xx or not at all, :broken either, :redirecting redirects, :noindexed and
      # :blocked may not be indexed or fetched, :diverted names another page as its canonical, :unanswering is a page
      # that has no such link back, :fuller one that has and names more pages than this one, :outside lies on another
      # host and didn't answer well, :unlike_image and :unlike_resource are embedded and broken, or answer with
      # something else than they are embedded as, :heavy is a heavy image, :numbered may have a file name that says
      # nothing, :unnamed has a link without text, :unencrypted comes over http to a page that comes over https): the
      # store picks those, the rule judges them.
      class LinkRule < Rule
        class << self
          # @return [Array<String>] link types
          def links = self::LINKS

          # @return [Symbol] one of those
          def targets = self::TARGETS

          # @return [Boolean] whether it is told once of a page, about the first of its targets in byte order
          def once? = const_defined?(:ONCE)
        end

        # @param source [Subject] the page with the link
        # @param target [Subject]
        # @param links [Array<Hash>] every such link: {text:, place:}, and px: of an image that says how large it is
        #   shown
        # @param targets [Integer] how many such targets the page has; given only where it is told once
        # @return [Fault, nil]
        def check(source, target, links, targets: nil) =
          raise(NoMethodError, "#{self.class} must define check(source, target, links)#{targets}")
      end
    end
  end
end
