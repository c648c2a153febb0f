# frozen_string_literal: true

module IronTrellis
  module Core
    module Decisions
      # What may be decided, by kind of decision: reads what was given and says what can't be used.
      module Values
        MOST_ROBOTS_BYTES = 512_000
        # What would mean something else, or nothing, in the rules of a web server.
        UNFIT = /[[:cntrl:][:space:]"'`\\<>{}]|\$(?![1-9](?!\d))/
        REBUILDS = %w[by_hand after_crawl daily].freeze
        # Of a sitemap plan: whether files are split by group, packed, carry images and languages, and list PDFs;
        # `priority` and `changefreq` by group, as asked.
        PLAN = {
          "by_group" => true,
          "packed" => true,
          "images" => true,
          "languages" => false,
          "pdfs" => false,
          "rebuild" => "by_hand",
          "priority" => {},
          "changefreq" => {}
        }.freeze

        module_function

        # @param kind [String] of Store::Decisions::Decision::KINDS
        # @param subject [String]
        # @param value [Object, nil] nil for nothing any more
        # @return [Array(String, Object)] subject and value as they are kept
        # @raise [Error::InvalidInput]
        def read(kind, subject, value)
          subject = subject.to_s.strip
          problem("Say what is decided about.") if subject.empty?
          return [subject, nil] if value.nil?

          send("read_#{kind}", subject, value)
        end

        def read_intent(subject, value)
          pattern = Url::Pattern.new(subject)
          [pattern.exact? ? Url::NormalForm.of(subject) : subject, wish(value)]
        end

        def read_group(subject, value) = [subject, wish(value)]

        def wish(value)
          unless Groups::Intents::NAMES.include?(value["intent"])
            problem("“#{value["intent"]}” is no intent. Use one of #{Groups::Intents::NAMES.join(", ")}.")
          end
          value.slice("intent", "follow").compact
        end

        def read_canonical(subject, value)
          pattern = Url::Pattern.new(subject)
          target = value["target"].to_s
          unless target.match?(%r{\Ahttps?://[^/]}i)
            problem("The URL that shall stand for it must be a whole web address, not “#{target}”.")
          end
          return [Url::NormalForm.of(subject), {"target" => Url::NormalForm.of(target)}] if pattern.exact?

          captures(pattern, target)
          [subject, {"target" => target}]
        end

        def read_route(subject, value)
          kind, query = value["kind"] || "exact", value["query"] || "match"
          problem("“#{kind}” is no kind of route.") unless Redirects::Route::KINDS.include?(kind)
          unless Redirects::Route::QUERIES.include?(query)
            problem("“#{query}” can't be done with a query; use one of #{Redirects::Route::QUERIES.join(", ")}.")
          end
          subject = (kind == "exact") ? Url::NormalForm.of(subject) : subject
          [
            subject,
            {
              "to" => target(subject, kind, value),
              "status" => status(value),
              "kind" => kind,
              "query" => query,
              "refused" => value["refused"] || nil,
              "why" => value["why"],
              "order" => (value["order"] if value["order"].is_a?(Integer))
            }.compact
          ]
        end

        def status(value)
          return value["status"] if Redirects::Route::STATUSES.include?(value["status"])

          problem(
            "#{value["status"].inspect} is no status of a redirect; use one " \
            "of #{Redirects::Route::STATUSES.join(", ")}."
          )
        end

        def target(subject, kind, value)
          to = value["to"].to_s.strip
          return problem_of_target(to, value["status"]) if to.empty? || value["status"] == Redirects::Route::GONE
          problem("The target must be a whole web address, not “#{to}”.") unless to.match?(%r{\Ahttps?://[^/]}i)
          return Url::NormalForm.of(to) if kind == "exact"

          if subject.match?(/[[:cntrl:]]/)
            problem("The pattern holds a character that no address can hold (a line break, say).")
          end
          if to.match?(UNFIT)
            problem(
              "The target of a pattern can't hold spaces, quotes, backslashes, or a $ other than $1 to $9: write " \
              "them as %20, %22, %5C and %24."
            )
          end
          captures(Url::Pattern.new(subject), to)
          to
        end

        def problem_of_target(to, status)
          if to.empty? && status != Redirects::Route::GONE
            problem("A route that leads somewhere needs a target; only 410 has none.")
          end
          problem("410 says that a page is gone, so it can have no target.") if !to.empty?
          nil
        end

        def captures(pattern, target)
          highest = target.scan(/\$([1-9])/).flatten.map(&:to_i).max || 0
          if highest > pattern.captures_count
            problem(
              "#{target} asks for part #{highest} of the address, " \
              "and #{pattern.source} captures #{pattern.captures_count}."
            )
          end
        end

        def read_languages(subject, value)
          pages = value["pages"] || {}
          problem("A set needs at least two languages.") if pages.except(Languages::Matrix::DEFAULT).size < 2
          urls = pages.transform_values { |url| Url::NormalForm.of(url) }
          Languages::CompleteSet.new(urls)
          [Url::NormalForm.of(subject), {"pages" => urls}]
        end

        def read_robots(subject, value)
          text = value["text"].to_s
          problem("The draft is longer than crawlers must read (500 KiB).") if text.bytesize > MOST_ROBOTS_BYTES
          [Url::NormalForm.parse(subject).origin, {"text" => text}]
        end

        def read_sitemaps(subject, value)
          plan = PLAN.merge(value.slice(*PLAN.keys))
          unless REBUILDS.include?(plan["rebuild"])
            problem("“#{plan["rebuild"]}” is no time to build them; use one of #{REBUILDS.join(", ")}.")
          end
          plan["priority"].each do |group, priority|
            unless priority.is_a?(Numeric) && priority.between?(0, 1)
              problem("The priority of #{group} must be from 0 to 1.")
            end
          end
          plan["changefreq"].each do |group, word|
            unless Sitemaps::Checks::FREQUENCIES.include?(word)
              problem("“#{word}” of #{group} is no changefreq; use one of #{Sitemaps::Checks::FREQUENCIES.join(", ")}.")
            end
          end
          [subject, plan]
        end

        # What a link shall lead to and say instead; the subject is its present target.
        def read_repoint(subject, value)
          target = Url::NormalForm.of(value["target"].to_s)
          [
            Url::NormalForm.of(subject),
            {"target" => target, "text" => value["text"].to_s.strip.then { |text| text unless text.empty? }}.compact
          ]
        end

        def problem(message) = raise(Error::InvalidInput.new(message))
        private_class_method(*(singleton_methods(false) - [:read]))
      end
    end
  end
end
