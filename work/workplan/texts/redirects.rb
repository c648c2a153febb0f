# frozen_string_literal: true

module IronTrellis
  module Work
    module Workplan
      class Texts
        # The rules of a host's redirect map, for people, Apache httpd and nginx.
        module Redirects
          KIND = "redirects"
          COLUMNS = %w[from to status].freeze
          SERVERS = {"apache" => "redirects.apache.conf", "nginx" => "redirects.nginx.conf"}.freeze
          PROPOSED = "# proposed, look at it: "
          UNFIT = "# not here, write it by hand: "

          module_function

          # @param subject [Subject]
          # @param texts [Texts]
          # @return [Hash{String => String}] by name
          def files(subject, texts)
            rules = rules(subject, texts.remedies)
            routes = rules.map { |url, target| route(url, target) }
            {
              "redirects.csv" => Texts.csv(COLUMNS, routes.map { |one| [one.from, one.to, one.status] }),
              **SERVERS.to_h { |format, name| [name, server(format, routes, rules)] }
            }
          end

          def rules(subject, remedies) =
            subject
              .by_url
              .filter_map { |url, faults| faults.filter_map { |fault| remedies.rule(fault) }.first&.then { [url, _1] } }

          def route(url, target) =
            Core::Redirects::Route.new(from: url, to: target.to, status: target.status, kind: "exact", query: "match")

          def server(format, routes, rules)
            proposed = rules.select { |_, target| target.proposed }.map { |url, target| "#{url} #{target.to}".strip }
            writer = Ports::Redirects.writer(format)
            unfit = Ports::Redirects.unfit(writer, routes)
            proposed.map { |line| "#{PROPOSED}#{line}\n" }.join +
              unfit.map { |route, why| "#{UNFIT}#{route.from} (#{why})\n" }.join +
              writer.write(routes - unfit.map(&:first))
          end
          private_class_method :rules, :route, :server
        end
      end
    end
  end
end
