# frozen_string_literal: true

require "zlib"

module IronTrellis
  module Core
    module Page
      # How a page is built, whatever it says: the set of its elements that bear a class or an id, or are landmarks or
      # forms, each as its name and classes, numbers taken out, each once; kept as a sketch of the smallest hashes, by
      # which two sets are compared (MinHash, Broder 1997, by the bottom k of one hash).
      module Skeleton
        MOST = 64
        LANDMARKS = %w[body main article nav aside section header footer form table dl].freeze
        TAG = %r{<([a-z][a-z0-9-]*)(#{SerialisedGrammar::ATTRIBUTES.delete_suffix(">")})>}n
        NAMED = /\s(?:class|id)="/n
        CLASSES = /\sclass="([^"]*)"/n
        # What stands inside of lines of text is what the page says, not how it is built.
        INLINE = %w[a abbr b bdi bdo br cite code data dfn em i img input kbd label mark math option path q s samp small
          span strong sub sup svg time tt u use var wbr].to_h { |name| [name, true] }.freeze
        DIGITS = /[0-9]+/n
        # Pages of a site mostly have the same tags.
        REMEMBERED = 20_000
        HEX = "N*"
        PACKED = "m0"

        module_function

        # @param html [String] the inside of a body, serialised
        # @param body [String] the classes of the body itself
        # @return [String] the sketch; empty where no element shows how it is built
        def of(html, body = "")
          found = {}
          html.b.scan(TAG) { |name, attributes| (hash = hash(name, attributes)) && found[hash] = true }
          own = token("body", body.b)
          found[Zlib.crc32(own)] = true
          [found.keys.sort.first(MOST).pack(HEX)].pack(PACKED)
        end

        # @param sketch [String]
        # @return [Array<Integer>] its hashes, the smallest first
        # @example
        #   Skeleton.hashes(Skeleton.of("<nav></nav>")).size # => 2
        def hashes(sketch) = sketch.unpack1(PACKED).unpack(HEX)

        # @param sketch [String]
        # @return [Integer] how many of its elements say more than that there are landmarks
        # @example
        #   Skeleton.telling(Skeleton.of('<nav></nav><ul class="list"></ul>')) # => 1
        def telling(sketch) = (hashes(sketch) - (@plain ||= LANDMARKS.map { |name| Zlib.crc32(token(name, "")) })).size

        def hash(name, attributes)
          return if INLINE.key?(name) || !(LANDMARKS.include?(name) || NAMED.match?(attributes))

          known = (@known ||= {})
          known.clear if known.size > REMEMBERED
          known["#{name} #{attributes}"] ||= Zlib.crc32(token(name, attributes[CLASSES, 1].to_s))
        end

        def token(name, classes) = "#{name} #{classes.gsub(DIGITS, "").split.uniq.sort.join(" ")}"
        private_class_method :hash, :token
      end
    end
  end
end
