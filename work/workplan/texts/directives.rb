# frozen_string_literal: true

module IronTrellis
  module Work
    module Workplan
      class Texts
        # What is to be written where, or taken out, so that each page says what was decided of it.
        module Directives
          KIND = "directives"
          COLUMNS = %w[url where action text].freeze
          NOINDEX = '<meta name="robots" content="noindex">'
          NOFOLLOW = '<meta name="robots" content="nofollow">'
          HEADER = "X-Robots-Tag: noindex"
          HTML = "html"

          module_function

          # @param subject [Subject]
          # @param texts [Texts]
          # @return [Hash{String => String}] by name
          def files(subject, texts)
            decided = texts.directives.reject { |item| item.where == "robots.txt" }.group_by(&:url)
            rows =
              subject.by_url.flat_map do |url, faults|
                (
                  decided.fetch(url, []).map { |item| [item.where, item.action, item.text] } +
                    faults.flat_map { |fault| lines(fault, texts.remedies.row(url)) }
                ).uniq.map { |line| [url, *line] }
              end
            rows = template(subject, rows) + rows if subject.template
            {"directives.csv" => Texts.csv(COLUMNS, rows)}
          end

          # The template's own line first: of a group that is told as a whole it is all there is.
          def template(subject, rows)
            lines = rows.map { |_, *line| line }.uniq
            lines = [[HTML, "add", NOINDEX]] if lines.empty?
            lines.map { |line| [subject.place, *line] }
          end

          # Of what nothing was decided about, the fault itself says what is wrong.
          def lines(fault, page)
            about = fault["about"]
            case fault["code"]
            when "noindex-wanted"
              [[where(page), "remove", (where(page) == HTML) ? NOINDEX : HEADER]]
            when "stray-header"
              [["header", "remove", HEADER]]
            when "stray", "goal-page-open"
              [kept_out(page)]
            when "directive-misplaced"
              [[HTML, "remove", meta(about)], [HTML, "add", meta(about)]]
            when "directive-conflict"
              [[HTML, "remove", meta(unwanted(about, page))]]
            when "nofollow-internal"
              [[HTML, "remove", about ? %(rel="nofollow" of the link to #{about}) : NOFOLLOW]]
            else
              []
            end
          end

          def where(page) = page&.noindex_where.to_s.match?(/header/i) ? "header" : HTML

          def kept_out(page) = (page.nil? || page.kind == HTML) ? [HTML, "add", NOINDEX] : ["header", "add", HEADER]

          def meta(words) = %(<meta name="robots" content="#{words}">)

          # Of words that contradict each other those that close go, unless the page shall be kept out.
          def unwanted(words, page)
            closing, opening = words.to_s.split(", ").partition { |word| word.start_with?("no") }
            ((page&.intent == "keep_out") ? opening : closing).join(", ")
          end
          private_class_method :template, :lines, :where, :kept_out, :meta, :unwanted
        end
      end
    end
  end
end
