# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      # Guesses why a link leads to a missing page, from the look of its target.
      module LikelyCause
        # "https//host/" is a path to a browser.
        NO_COLON = %r{/https?//+[^/]}i
        ADDRESS = %r{/[^/?@\s]+(?:@|%40)(?:[a-z0-9-]+\.)+[a-z]{2,}/?\z}i

        module_function

        # @param source_url [String] the page with the link
        # @param target_url [String] what is missing
        # @return [String, nil] in words; nil where nothing shows
        def of(source_url, target_url)
          path = target_url.sub(%r{\Ahttps?://[^/]+}, "")
          return "a colon was left out behind the scheme" if path.match?(NO_COLON)
          return "“mailto:” was left out in front of an e-mail address" if path.match?(ADDRESS)
          return "the scheme was left out of the link" if scheme_left_out?(source_url, path)
          return "a stray space in the link" if path.match?(/%20(?:\z|\/)|\/%20|%C2%A0/)

          "the path is doubled" if doubled?(path)
        end

        # @param url [String] that is missing
        # @return [Hash{String => String}] addresses that may have been meant, with why
        #   LikelyCause.meant("http://a.test/x/b.test/y") # =>
        #     {"http://b.test/y" => "its scheme was left out of a link"}
        def meant(url)
          scheme, path = url.match(%r{\A(https?://)[^/]+(.*)\z}m).captures
          host = path[%r{/((?:[a-z0-9-]+\.)+[a-z]{2,}/.*)\z}, 1] unless path.match?(ADDRESS)
          whole = path[%r{/(https?)//+(.+)\z}i]&.then { path.sub(%r{\A.*?/(https?)//+}i, '\1://') }
          spaces = url.gsub(/%20(?=\z|\/)|(?<=\/)%20|%C2%A0/, "")
          once = url.sub(%r{\A(https?://[^/]+)((?:/[^/]+)+?)\2(?=/|\z)}, '\1\2')
          {
            whole => "a colon was left out behind its scheme in a link",
            (scheme + host if host && whole.nil?) => "its scheme was left out of a link",
            (spaces if spaces != url) => "a stray space is in a link",
            (once if once != url) => "its path is doubled in a link"
          }.except(nil)
        end

        # "www.shop.test/x" written as an href becomes a path below the linking page.
        def scheme_left_out?(source_url, path)
          host = source_url[%r{\Ahttps?://([^/]+)}, 1].delete_prefix("www.")
          path.include?("/#{host}") || path.include?("/www.#{host}") ||
            path.match?(%r{/www\.[a-z0-9-]+\.[a-z]{2,}(?:/|\z)})
        end

        def doubled?(path) = path.match?(%r{\A((?:/[^/]+)+?)\1(?:/|\z)})
        private_class_method :scheme_left_out?, :doubled?
      end
    end
  end
end
