# frozen_string_literal: true

require "strscan"

module IronTrellis
  module Core
    module Page
      # Reads Link header fields (RFC 8288 section 3).
      module LinkHeader
        Entry = Struct.new(:target, :params, keyword_init: true) do
          # @return [Array<String>] relation types, lower case
          def rels = params["rel"].to_s.downcase.split
        end

        PARAM = /\s*;\s*([^\s=;,]+)\s*(?:=\s*(?:"((?:[^"\\]|\\.)*)"|([^\s;,]*)))?/

        module_function

        # @param value [String] '<https://a.test/>; rel="canonical", </b>; rel=next'
        # @return [Array<Entry>] entries in order; what can't be read is passed over
        def read(value)
          scanner = StringScanner.new(value)
          entries = []
          while scanner.skip_until(/<\s*/)
            target = scanner.scan(/[^>]*/)
            break unless scanner.skip(/>/)

            entries << Entry.new(target: target.strip, params: params(scanner))
          end
          entries
        end

        # The first of two equal parameters counts (section 3.3 says so of rel).
        def params(scanner)
          found = {}
          while scanner.scan(PARAM)
            found[scanner[1].downcase] ||= scanner[2] ? scanner[2].gsub(/\\(.)/, '\1') : scanner[3].to_s
          end
          found
        end
        private_class_method :params
      end
    end
  end
end
