# frozen_string_literal: true

module IronTrellis
  module Core
    module Workplan
      # What a fix is called, as a ticket would be, and why it is there, in words.
      module Titles
        # Where no rule's own words say it.
        WORK = {
          "server" => "Fix the server",
          "robots" => "Correct robots.txt",
          "directives" => "Correct robots directives",
          "canonicals" => "Correct canonical tags",
          "redirects" => "Correct redirects",
          "links" => "Fix internal links",
          "languages" => "Complete hreflang",
          "sitemaps" => "Rebuild the sitemaps",
          "content" => "Improve pages",
          "request" => "Request recrawl"
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
        TASKS = {
          "decided-canonical" => "Set the chosen canonicals",
          "accepted-link" => "Add internal links",
          "merge" => "Merge pages"
        }.freeze
        # What is written anew, in the order in which it is named; only words are rewritten.
        ELEMENTS = {
          "title" => "titles",
          "description" => "descriptions",
          "h1" => "H1s",
          "text" => "texts",
          "alt" => "images",
          "data" => "structured data",
          "viewport" => "phone layout",
          "lang" => "page language"
        }.freeze
        WORDS = %w[title description h1 text].freeze
        LOST = %w[not-found accepted-route merge].freeze
        DECIDE = "Decide what should be indexed"
        MOST_NAMED = 3
        MOST_TASKS = 2
        MOST_FOLDERS = 2

        module_function

        # @param draft [Draft]
        # @param hosts [Integer] of the site, as far as its fixes show; of one alone the name says nothing
        # @return [String] such as "Remove noindex: /letters/ (3 pages)"
        def title(draft, hosts: 1)
          return DECIDE if draft.cause == Roles::DECIDE

          case draft.kind
          when "server" then of_server(draft)
          when "robots" then of_robots(draft)
          when "redirects" then of_redirects(draft, hosts)
          when "languages" then "#{WORK["languages"]}: #{draft.place}"
          when "sitemaps" then "#{WORK["sitemaps"]}#{": #{draft.place}" if hosts > 1}"
          when "request" then "#{WORK["request"]} (#{pages(draft)})"
          else of_pages(draft, hosts)
          end
        end

        # @param draft [Draft]
        # @return [String] what is wrong, with how many URLs
        def reason(draft)
          return of_groups(draft) if draft.cause == Roles::DECIDE

          urls = draft.entries.group_by(&:code).transform_values { |some| some.filter_map(&:url).uniq.size }
          told = urls.sort_by { |code, size| [-size, code] }.map { |code, size| "#{name(code)} (#{size})" }
          more = told.size - MOST_NAMED
          [told.first(MOST_NAMED).join("; ") + (more.positive? ? "; and #{more} more" : ""), others(draft)].compact
            .join(". ")
        end

        def of_groups(draft) =
          "Nothing was said yet of #{draft.groups.size} page groups: #{draft.groups.first(MOST_NAMED).join(", ")}" \
            "#{", and #{draft.groups.size - MOST_NAMED} more" if draft.groups.size > MOST_NAMED}"

        # Hosts that share the template of this one.
        def others(draft)
          return unless draft.cause == FixBuilder::BASE

          hosts = draft.urls.map { |url| Url::Authority.of(url) }.uniq - [draft.place]
          "The same template serves #{hosts.sort.join(", ")}" if hosts.any?
        end

        def of_server(draft)
          if draft.cause == Settling::SECTION
            missing = draft.weighing.filter_map(&:url).uniq.size
            return "Mend a missing section: #{draft.place} (#{pages(draft, missing)})"
          end

          "#{task(draft.entries.first) || WORK["server"]}: #{draft.place} (#{pages(draft)})"
        end

        def of_robots(draft)
          return "Block in robots.txt what has left the index: #{folders(draft)}" if draft.cause == "block"

          shut = draft.entries.reject(&:decided?).select { |entry| entry.rule.task.nil? }
          return "#{of_tasks(draft)}: #{draft.place}" if shut.empty?

          "Open robots.txt for #{folders(draft, shut.map(&:url))}"
        end

        def folders(draft, urls = draft.urls)
          named = urls.filter_map { |url| url[%r{\Ahttps?://[^/]+(/[^/?#]*/?)}, 1] }.tally
            .sort_by { |folder, count| [-count, folder] }.map(&:first)
          more = named.size - MOST_FOLDERS
          named.first(MOST_FOLDERS).join(", ") + (more.positive? ? " and #{more} more" : "")
        end

        def of_redirects(draft, hosts)
          lost = draft.entries.select { |entry| LOST.include?(entry.code) }.map(&:url).uniq.size
          at = (hosts > 1) ? " on #{draft.place}" : ""
          return "#{WORK["redirects"]} (#{urls(draft.urls.size)})#{at}" if lost.zero?

          "301 redirects for #{lost} lost #{urls(lost).split.last}#{at}"
        end

        def of_pages(draft, hosts)
          work = (draft.kind == "content") ? of_words(draft) : of_tasks(draft)
          case draft.cause
          when FixBuilder::BASE
            "#{work} (base template#{" of #{draft.place}" if hosts > 1})"
          when FixBuilder::TEMPLATE
            "#{work}: template of #{draft.place}#{" (#{pages(draft)})" if draft.urls.any?}"
          when FixBuilder::LATER
            "Later: #{work.sub(/\A[A-Z](?=[a-z])/, &:downcase)}, #{pages(draft)} of #{draft.place}"
          else
            "#{work}: #{where(draft)}"
          end
        end

        # The group where all of them are of one.
        def where(draft)
          groups = draft.entries.map(&:group).uniq
          return "#{pages(draft)} of #{draft.place}" if groups.size > 1 || groups.first.nil?

          (draft.kind == "content") ? "#{pages(draft)} of #{groups.first}" : "#{groups.first} (#{pages(draft)})"
        end

        def of_tasks(draft)
          found = weighing(draft).map { |entry| task(entry) || WORK.fetch(draft.kind) }.uniq
          found.size.between?(1, MOST_TASKS) ? in_one(found) : WORK.fetch(draft.kind)
        end

        def in_one(tasks) =
          tasks.map.with_index { |task, at| at.zero? ? task : task.sub(/\A[A-Z](?=[a-z])/, &:downcase) }.join(", ")

        # Of words what is rewritten; of all else what its rules say, as far as that is short.
        def of_words(draft)
          entries = weighing(draft)
          tasks = entries.map { |entry| task(entry) }.uniq
          return in_one(tasks) if tasks.all? && tasks.size <= MOST_TASKS

          elements = ELEMENTS.keys & entries.map { |entry| Kinds.element(entry.code) }
          named = ELEMENTS.values_at(*elements)
          named = [*named.first(MOST_TASKS), "more"] if named.size > MOST_TASKS + 1
          "#{(elements - WORDS).empty? ? "Rewrite" : "Improve"} #{listed(named)}"
        end

        def listed(words) = (words.size > 1) ? "#{words[0..-2].join(", ")} and #{words.last}" : words.first.to_s

        def weighing(draft) = draft.entries.reject { |entry| entry.grade.zero? }

        def task(entry)
          return (entry.closes ? "Add noindex" : "Remove noindex") if entry.code == "decided-intent"

          entry.rule ? entry.rule.task : TASKS[entry.code]
        end

        def pages(draft, count = draft.urls.size) = (count == 1) ? "1 page" : "#{count} pages"

        def urls(count) = (count == 1) ? "1 URL" : "#{count} URLs"

        def name(code) = DECIDED[code] || Faults::Registry.find(code)&.title || code
        private_class_method :of_groups, :others, :of_server, :of_robots, :folders, :of_redirects, :of_pages, :where,
          :of_tasks, :in_one, :of_words, :listed, :weighing, :task, :pages, :urls, :name
      end
    end
  end
end
