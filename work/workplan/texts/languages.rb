# frozen_string_literal: true

module IronTrellis
  module Work
    module Workplan
      class Texts
        # The lines that each page of a set of languages shall carry.
        module Languages
          KIND = "languages"
          COLUMNS = %w[url hreflang target].freeze

          module_function

          # @param subject [Subject]
          # @param texts [Texts]
          # @return [Hash{String => String}] by name
          def files(subject, texts)
            sets = texts.sets.by_url
            concerned = subject.urls.filter_map { |url| sets[url] }.uniq | proposed(subject, texts)
            pages = concerned.flat_map { |set| set.values.uniq.map { |url| [url, set] } }
            {
              "hreflang.csv" =>
                Texts.csv(COLUMNS, pages.flat_map { |url, set| set.map { |code, target| [url, code, target] } }),
              "head-lines.html" => pages.map { |url, set| head(url, set) }.join("\n")
            }
          end

          # Where no page names its languages, the sets that folders, names and what pages have in common tell.
          def proposed(subject, texts)
            return [] unless subject.faults.any? { |fault| fault["code"] == Core::Workplan::FixBuilder::NONE }

            texts.sets.proposed.map(&:to_h)
          end

          def head(url, set)
            lines = Core::Languages::CompleteSet.head_lines(set)
            "<!-- #{url.gsub("--", "%2D%2D")} -->\n#{lines.join("\n")}\n"
          end
          private_class_method :head, :proposed
        end
      end
    end
  end
end
