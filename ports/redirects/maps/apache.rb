# frozen_string_literal: true

module IronTrellis
  module Ports
    module Redirects
      module Maps
        # A redirect map for Apache httpd 2.4 (mod_rewrite), for a virtual host or a .htaccess file at the root. Paths
        # are compared decoded, as the server has them.
        module Apache
          NAME = "apache"
          LABEL = "Apache"
          PLACE = 1
          ENDING = "conf"
          # A path alone says nothing of which host it lies on.
          WHOLE_ADDRESSES = true
          TYPE = "text/plain; charset=utf-8"
          HEAD =
            "# Redirects, written by Iron Trellis. For the virtual host, or a .htaccess file at the root; needs " \
            "mod_rewrite.\nRewriteEngine On\n"

          # The path as it was sent: what is captured of it has to stay encoded.
          PATH = "RewriteCond %{THE_REQUEST} \"^\\S+ (?:https?://[^/ ]+)?([^ ?]*)\"\n"
          ADDRESS = "%{REQUEST_SCHEME}://%{HTTP_HOST}%1"

          module_function

          # @param routes [Array<Core::Redirects::Route>] with whole URLs
          # @return [String]
          def write(routes)
            patterns, exact = Core::Redirects::Table.in_order(routes)
            HEAD + (exact.map { |route| exact_rule(route) } + patterns.map { |route| pattern_rule(route) }).join
          end

          def exact_rule(route)
            source = RuleText.source(route.from)
            conditions = [
              "%{HTTP_HOST} \"^#{RuleText.literally(source.authority)}#{ANY_PORT unless port?(source)}$\" [NC]",
              query(route, source),
              ("%{REQUEST_SCHEME} =#{source.scheme}" if RuleText.scheme_only?(route))
            ].compact
            "#{conditions.map { |condition| "RewriteCond #{condition}\n" }.join}RewriteRule " \
            "\"^/?#{RuleText.literally(source.path.delete_prefix("/"))}$\" #{answer(route, route.to)}\n"
          end

          ANY_PORT = "(:[0-9]+)?"

          def port?(source) = source.authority != source.host

          # (see RuleText.unfit)
          def unfit(route) = RuleText.unfit(route)

          def query(route, source)
            return if route.query != "match"

            source.query ? "%{QUERY_STRING} \"^#{RuleText.literally(source.query)}$\"" : "%{QUERY_STRING} =\"\""
          end

          # A pattern speaks of the whole address, which the server has only in pieces.
          def pattern_rule(route)
            pattern = RuleText.expression(route.from).gsub('"', RuleText::QUOTE)
            tested(route)
              .map do |condition, address|
                "#{condition}#{PATH}RewriteCond \"#{address}\" \"#{pattern}\"\nRewriteRule ^ " \
                "#{answer(route, route.to, captures: "%")}\n"
              end
              .join
          end

          # What is held against a pattern, and when: without the query, or, where the query counts, with the one that
          # there is.
          def tested(route)
            return {"" => ADDRESS} if route.query != "match"

            {
              "RewriteCond %{QUERY_STRING} =\"\"\n" => ADDRESS,
              "RewriteCond %{QUERY_STRING} !=\"\"\n" => "#{ADDRESS}?%{QUERY_STRING}"
            }
          end

          def answer(route, to, captures: nil)
            return "- [G,L]" if route.gone?

            target = to.gsub(captures ? /[%\\]/ : /[%\\$]/) { |sign| "\\#{sign}" }
            target = target.gsub(/\$([1-9])/, "#{captures}\\1") if captures
            flags = ["R=#{route.status}", "NE", query_flag(route, to), "L"].compact
            "\"#{target}\" [#{flags.join(",")}]"
          end

          # A target without a query gets that of the request, unless it is told not to.
          def query_flag(route, to)
            return "QSA" if route.query == "keep"

            "QSD" unless to.include?("?")
          end
          private_class_method :exact_rule, :port?, :query, :pattern_rule, :tested, :answer, :query_flag
        end
      end
    end
  end
end
