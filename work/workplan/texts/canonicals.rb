# frozen_string_literal: true

module IronTrellis
  module Work
    module Workplan
      class Texts
        # The canonical that each page shall carry.
        module Canonicals
          KIND = "canonicals"
          COLUMNS = %w[url line].freeze
          ITSELF = '<link rel="canonical" href="…the address of the page itself…">'

          module_function

          # @param subject [Subject]
          # @param texts [Texts]
          # @return [Hash{String => String}] by name
          def files(subject, texts)
            rows = subject.by_url.map { |url, faults| [url, line(url, texts.remedies.canonical(url, faults), texts)] }
            rows = [[subject.place, ITSELF], *rows] if subject.template
            {"canonicals.csv" => Texts.csv(COLUMNS, rows)}
          end

          # What has no head says it in a header (RFC 6596 section 3).
          def line(url, canonical, texts)
            return %(Link: <#{canonical}>; rel="canonical") unless [nil, "html"].include?(texts.remedies.row(url)&.kind)

            %(<link rel="canonical" href="#{Core::Sitemaps::Xml.escape(canonical)}">)
          end
          private_class_method :line
        end
      end
    end
  end
end
