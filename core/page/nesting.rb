# frozen_string_literal: true

require "strscan"

module IronTrellis
  module Core
    module Page
      # Whether elements are nested deeper than on any page for people. Parsing a hundred thousand nested tags takes a
      # minute in which nothing else runs, so this is counted before.
      module Nesting
        # Browsers stop nesting at this depth, too (common practice).
        MOST = 512
        # They hold nothing, or their end tag may be left out, so that their number says nothing of depth.
        NOT_COUNTED =
          "area|base|br|col|embed|hr|img|input|link|meta|source|track|wbr|param|p|li|dt|dd|tr|td|th|thead|tbody|" \
          "tfoot|colgroup|option|" \
            "optgroup|rt|rp|html|head|body"
        TAG = %r{</?(?!(?:#{NOT_COUNTED})[\s/>])[a-z]}in
        SLASH = "/".ord

        module_function

        # @param html [String]
        # @return [Boolean]
        def too_deep?(html)
          # What has no more tags than that can't be deeper.
          html.count("<") > MOST && deeper?(html.b)
        end

        def deeper?(bytes)
          scanner = StringScanner.new(bytes)
          depth = 0
          while scanner.skip_until(TAG)
            if bytes.getbyte(scanner.pos - 2) == SLASH then depth -= 1 if depth.positive?
            else
              depth += 1
              return true if depth > MOST
            end
          end
          false
        end
        private_class_method :deeper?
      end
    end
  end
end
