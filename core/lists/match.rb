# frozen_string_literal: true

module IronTrellis
  module Core
    module Lists
      # Finds the URL of a site that somebody's list means: the address itself, else what differs from it by the host's
      # variant (www, scheme), by the slash at its end, or by case.
      module Match
        module_function

        # @param url [String] in normal form
        # @return [Hash{String => Array<String>}] addresses to look for by way, but for case
        #   Match.forms("http://a.test/x")["slash"] # => ["http://a.test/x/"]
        def forms(url) = {"url" => [url], "host" => hosts(url), "slash" => [slash(url)].compact}

        # @param url [String] in normal form
        # @return [String] under which addresses that differ by case are the same
        def folded(url) = url.downcase

        # @param url [String]
        # @yieldparam form [String]
        # @yieldreturn [Object, nil] what is known under that address
        # @return [Array(String, Object), nil] by which way, and what
        def of(url)
          forms(url).each { |way, all| all.each { |form| (found = yield(form)) && (return way, found) } }
          nil
        end

        def hosts(url)
          scheme, rest = url.split("://", 2)
          other = (scheme == "http") ? "https" : "http"
          bare = rest.delete_prefix("www.")
          variant = (rest == bare) ? "www.#{rest}" : bare
          ["#{scheme}://#{variant}", "#{other}://#{rest}", "#{other}://#{variant}"]
        end

        def slash(url)
          path, query = url.split("?", 2)
          return if path.match?(%r{\Ahttps?://[^/]+/\z})

          [path.end_with?("/") ? path.chomp("/") : "#{path}/", query].compact.join("?")
        end
        private_class_method :hosts, :slash
      end
    end
  end
end
