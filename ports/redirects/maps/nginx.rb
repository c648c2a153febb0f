# frozen_string_literal: true

module IronTrellis
  module Ports
    module Redirects
      module Maps
        # A redirect map for nginx: maps for the http block, which name the answer to each address, and lines for the
        # server block, which give it.
        class Nginx
          NAME = "nginx"
          LABEL = "nginx"
          PLACE = 2
          ENDING = "conf"
          # A path alone says nothing of which host it lies on.
          WHOLE_ADDRESSES = true
          TYPE = "text/plain; charset=utf-8"

          # A longer parameter nginx doesn't read (NGX_CONF_BUFFER), with room for what we write around it.
          MOST_BYTES = 4_000
          LEAST_BUCKET = 1_024
          # What nginx keeps beside each key.
          BESIDE_KEY = 64

          # @param routes [Array<Core::Redirects::Route>] with whole URLs
          # @return [String]
          def self.write(routes) = new(routes).call

          # @param route [Core::Redirects::Route]
          # @return [String, nil] why nginx can't be told so; nil where it can
          def self.unfit(route)
            return RuleText.unfit(route) if RuleText.unfit(route)

            bytes = 2 * route.from.bytesize + route.to.to_s.bytesize
            "nginx reads addresses of #{MOST_BYTES} bytes at most, source and target together" if bytes > MOST_BYTES
          end

          # (see .write)
          def initialize(routes)
            patterns, exact = Core::Redirects::Table.in_order(routes)
            # Those stand with the patterns, which regard the scheme.
            of_scheme, exact = exact.partition { |route| RuleText.scheme_only?(route) }
            @patterns = of_scheme + patterns
            @with_query, @any_query = exact.partition { |route| route.query == "match" }
            @folded = exact.map { |route| route.from.downcase }.tally
          end

          # @return [String]
          def call
            <<~TEXT
              # Redirects, written by Iron Trellis.
              # In the http block:
              map_hash_max_size 262144;
              map_hash_bucket_size #{bucket};
              map $args $trellis_more { "" ""; default "&$args"; }
              # The host as it was asked for, with its port where that isn't the usual one.
              map $http_host $trellis_host {
                default $host; "~:(?:80|443)$" $host; "~:(?<trellis_port>[0-9]+)$" "$host:$trellis_port"; }
              # The path as it was sent: what is captured of it has to stay encoded.
              map $request_uri $trellis_sent { default $request_uri; "~^(?<trellis_before>[^?]*)[?]" $trellis_before; }
              # Addresses with just this query, or none.
              map $trellis_host$request_uri $trellis_whole_found {
                default "";
              #{@with_query.map { |route| entry(address(route.from), "$trellis_host$request_uri", route) }.join}}
              # Addresses with any query.
              map $trellis_host$uri $trellis_path_found {
                default "";
              #{@any_query.map { |route| entry(decoded(route.from), "$trellis_host$uri", route) }.join}}
              # Both were found without regard to case: this makes sure of it.
              map "$trellis_host$request_uri => $trellis_whole_found" $trellis_whole {
                default "";
                "~(?s)^(.+) => \\1 => (?<trellis_whole_sure>.*)$" $trellis_whole_sure; }
              map "$trellis_host$uri => $trellis_path_found" $trellis_path {
                default "";
                "~(?s)^(.+) => \\1 => (?<trellis_path_sure>.*)$" $trellis_path_sure; }
              # Patterns, of which the first that fits wins.
              map $scheme://$trellis_host$trellis_sent $trellis_pattern {
                default "";
              #{@patterns.reject { |route| route.query == "match" }.map { |route| pattern(route) }.join}}
              map $scheme://$trellis_host$request_uri $trellis_whole_pattern {
                default "";
              #{@patterns.select { |route| route.query == "match" }.map { |route| pattern(route) }.join}}
              #{chain}
              # In the server block:
              #{statuses.map { |status| server(status) }.join}
            TEXT
          end

          private

          # A power of two that the longest key fits into.
          def bucket
            longest = (@with_query + @any_query).map { |route| route.from.bytesize }.max.to_i + BESIDE_KEY
            [LEAST_BUCKET, 2**Math.log2(longest).ceil].max
          end

          def address(url) = url.sub(%r{\Ahttps?://}, "")

          def decoded(url) = RuleText.source(url).then { |source| source.authority + source.path }

          # Plain strings are found at once, but without regard to case; where two are the same but for that,
          # expressions are written. The answer begins with the address that it is for.
          def entry(key, variables, route)
            if @folded.fetch(route.from.downcase) > 1 || key.match?(RuleText::CONTROL)
              return "  #{quoted("~^#{RuleText.literally(key)}$")} \"#{variables} => #{answer(route)}\";\n"
            end

            "  #{quoted(key)} \"#{plain(key)} => #{answer(route)}\";\n"
          end

          def expression(route)
            return RuleText.expression(route.from) if route.pattern?

            source = RuleText.source(route.from)
            address = (route.query == "match") ? route.from : "#{source.scheme}://#{source.authority}#{source.path}"
            "^#{RuleText.literally(address)}$"
          end

          def pattern(route) = "  #{quoted("~#{expression(route)}")} \"#{answer(route)}\";\n"

          def answer(route)
            return route.status.to_s if route.gone?

            "#{route.status} #{route.pattern? ? route.to.gsub('"', "%22") : plain(route.to)}#{more(route)}"
          end

          def more(route)
            return if route.query != "keep"

            route.to.include?("?") ? "$trellis_more" : "$is_args$args"
          end

          # As it may stand in a value, in quotes.
          def plain(text) = text.gsub(/["\\]/) { |sign| "\\#{sign}" }.gsub("$", "${trellis_dollar}")

          # In an expression a quote stands as a number; of two backslashes the file's reader leaves one.
          def quoted(text) =
            "\"#{(text.start_with?("~") ? text.gsub(
              '"', RuleText::QUOTE
            ) : text).gsub(/["\\]/) { |sign| "\\#{sign}" }}\""

          # The first that says anything, and by status where it leads.
          def chain
            steps = %w[path whole_pattern pattern].each_with_index.map do |name, place|
              before = place.zero? ? "$trellis_whole" : "$trellis_step_#{place}"
              "map #{before} $trellis_step_#{place + 1} { \"\" $trellis_#{name}; default #{before}; }"
            end
            [
              "geo $trellis_dollar { default \"$\"; }",
              *steps,
              *statuses.map { |status| by_status("$trellis_step_#{steps.size}", status) }
            ].join("\n")
          end

          def by_status(answer, status)
            if status == Core::Redirects::Route::GONE
              return "map #{answer} $trellis_#{status} { default \"\"; \"#{status}\" gone; }"
            end

            "map #{answer} $trellis_#{status} { default \"\"; \"~^#{status} (?<trellis_to_#{status}>.+)$\" " \
            "$trellis_to_#{status}; }"
          end

          def statuses = (@patterns + @with_query + @any_query).map(&:status).uniq.sort

          def server(status) =
            "if ($trellis_#{status}) { return " \
            "#{status}#{" $trellis_#{status}" unless status == Core::Redirects::Route::GONE}; }\n"
        end
      end
    end
  end
end
