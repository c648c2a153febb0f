# frozen_string_literal: true

module IronTrellis
  module Core
    module Languages
      # The codes that annotations of languages bear, and what is wrong with them.
      module CodesUsed
        module_function

        # @param annotations [Array<Annotation>] code, url, target
        # @return [Array<Hash>] code, uses, pages, reason and likely (see Tag; nil where it is right), sample; the most
        #   used first
        def of(annotations) =
          annotations
            .group_by(&:code)
            .map { |code, ones| [code, Core::Languages::Tag.read(code), ones] }
            .sort_by { |code, _, ones| [-ones.size, code] }
            .map do |code, tag, ones|
              {
                code: code,
                uses: ones.size,
                pages: ones.map(&:url).uniq.size,
                reason: tag.reason,
                likely: tag.likely,
                sample: ones.first.url
              }
            end
      end
    end
  end
end
