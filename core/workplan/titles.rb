# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # What a fix is called, and why it is there, in words.
      module Titles
        WORK = {
          "server" => "Have the server mended",
          "robots" => "Open robots.txt",
          "block" => "Block what has left the index, in the robots.txt",
          "directives" => "Put directives right",
          "canonicals" => "Put canonicals right",
          "redirects" => "Write the redirect map",
          "links" => "Put links right",
          "languages" => "Make the sets of languages whole",
          "sitemaps" => "Publish the sitemaps anew",
          "content" => "Write anew",
          "request" => "Ask for pages to be fetched again"
        }.freeze
        DECIDED = {
          "decided-intent" => "Pages say otherwise than was decided",
          "decided-canonical" => "A canonical was chosen",
          "accepted-route" => "A redirect was accepted",
          "accepted-link" => "Links that should be, as accepted",
          "improve" => "To be written better, as decided",
          "merge" => "To go into another page, as decided",
          "decided-block" => "Kept out, and out of the index: crawlers need not fetch it any more"
        }.freeze
        MOST_NAMED = 3

        module_function

        # @param draft [Draft]
        # @return [String] such as "Put links right in the template of /lamps/"
        def title(draft)
          return of_section(draft) if draft.cause == Settling::SECTION

          where =
            case draft.kind
            when "request"
              ", #{draft.cause}"
            when "directives", "canonicals", "links", "content"
              of_group(draft)
            else
              " of #{draft.place}"
            end
          variant = (draft.kind == "server") ? ": #{name(draft.cause)}" : ""
          "#{WORK.fetch((draft.cause == "block") ? draft.cause : draft.kind)}#{where}#{variant}"
        end

        # @param draft [Draft]
        # @return [String] what is wrong, with how many URLs
        def reason(draft)
          urls = draft.entries.group_by(&:code).transform_values { |some| some.filter_map(&:url).uniq.size }
          told = urls.sort_by { |code, size| [-size, code] }.map { |code, size| "#{name(code)} (#{size})" }
          more = told.size - MOST_NAMED
          told.first(MOST_NAMED).join("; ") + (more.positive? ? "; and #{more} more" : "")
        end

        def of_section(draft) =
          "Mend a missing section: #{draft.place} (#{draft.weighing.filter_map(&:url).uniq.size} pages)"

        def of_group(draft)
          code = draft.cause[/\Atemplate (.+)\z/, 1]
          return " in the template of #{draft.place}#{": #{name(code)}" if code}" if draft.template

          portion = draft.cause[/\Apages (\d+)\z/, 1]
          " on pages of #{draft.place}#{", #{portion}" if portion}"
        end

        def name(code) = DECIDED[code] || Faults::Registry.find(code)&.title || code
        private_class_method :of_section, :of_group, :name
      end
    end
  end
end
