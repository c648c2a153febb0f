# frozen_string_literal: true

module IronTrellis
  module Core
    module Url
      # Addresses of the later pages of paged lists, by the usual forms (common practice).
      module Paging
        QUERY = /(?<=[?&])(?:page|p|pg|paged|pagina|seite|side|sida)=0*(\d+)(&|\z)/i
        PATH = %r{/(?:page|pagina|seite|side|p)(?:/|-)?0*(\d+)/?(?=\?|\z)}i

        module_function

        # @param url [String]
        # @return [String, nil] the list's first page; nil where this is none of the later ones
        #   Paging.first("http://a.test/x?page=3") # => "http://a.test/x"
        def first(url)
          query = QUERY.match(url)
          return url.sub(QUERY, "").sub(/[?&]\z/, "") if query && query[1].to_i > 1

          path = PATH.match(url)
          url.sub(PATH, "/") if path && path[1].to_i > 1
        end

        # @param one [String]
        # @param other [String]
        # @return [Boolean] whether both are the same but for a slash at the end and the mention of page 1
        def same?(one, other) = plain(one) == plain(other)

        def plain(url) = url.sub(/(?<=[?&])(?:page|p|pg|paged)=0*1(&|\z)/i, "").sub(/[?&]\z/, "").delete_suffix("/")
        private_class_method :plain
      end
    end
  end
end
