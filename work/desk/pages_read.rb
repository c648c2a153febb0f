# frozen_string_literal: true

module IronTrellis
  module Work
    module Desk
      # Reads pages to be held against each other: from the web, each asked for three times in turn where their times
      # are to be compared, or from files.
      class PagesRead
        TURNS = 3
        MOST_HOPS = 5
        WEB = %r{\Ahttps?://}i

        # @param fetch [Crawling::OneFetch]
        # @param pace [#wait] before each request
        # @param main [Boolean] as of Core::Desk::PageReading
        # @param turns [Integer] how often each is asked for
        # @param robots [Fetch::Robots::Policies, nil] what may be asked for; nil for anything
        # @param pages_only [Boolean] whether the text of an error is none to be read
        def initialize(fetch, pace: Crawling::Pace.new(0), main: false, turns: TURNS, robots: nil, pages_only: true)
          @fetch, @pace, @main = fetch, pace, main
          @turns, @robots, @pages_only = turns, robots, pages_only
        end

        # @param sources [Array<String>] addresses; what isn't one is given to the block
        # @yieldparam path [String] of a file
        # @yieldreturn [String] its bytes
        # @return [Array<Core::Desk::Page>]
        # @raise [Core::Error::Conflict] where a page can't be had or read
        # @raise [Core::Error::InvalidInput] where an address is none
        def call(sources)
          answers = answers(sources.grep(WEB))
          sources.map do |source|
            WEB.match?(source) ? page(source, *answers.fetch(source)) : file(source, yield(source))
          end
        end

        # Those that can't be had or read hold up no other.
        #
        # @param urls [Array<String>]
        # @yieldparam url [String]
        # @yieldparam page [Core::Desk::Page, nil]
        # @yieldparam problem [String, nil]
        # @return [void]
        def each(urls)
          answers = answers(urls, strict: false)
          urls.each do |url|
            yield url, page(url, *answers.fetch(url)), nil
          rescue Core::Error => error
            yield url, nil, error.message
          end
        end

        private

        # In turns, so that all are asked under the same conditions.
        def answers(urls, strict: true)
          found = Hash.new { |all, url| all[url] = [] }
          @fetch.call do |client|
            @turns.times do |turn|
              urls.each do |url|
                # What gives no answer isn't asked three times.
                next if turn.positive? && !strict && found[url].last.last.error

                found[url] << ended(client, Core::Url::NormalForm.parse(url))
              end
            end
          end
          found.transform_values { |some| [some.last, some.filter_map { |one| one.last.first_byte_ms }.sort] }
        rescue Core::Url::NormalForm::Malformed => error
          raise Core::Error::InvalidInput.new(error.message)
        end

        def ended(client, parts)
          MOST_HOPS.times do
            refuse_blocked(client, parts)
            @pace.wait(parts.authority)
            answer = client.fetch(parts)
            target = answer.leads_to(parts)
            return [parts, answer] unless target

            parts = target
          end
          wrong("#{parts} goes on and on.")
        end

        def refuse_blocked(client, parts)
          return if @robots.nil? || @robots.decision(parts, client).nil?

          decision = @robots.decision(parts, client)
          return if decision.allowed?

          line = " (line #{decision.line})" if decision.line
          wrong("robots.txt keeps #{@robots.token} from reading #{parts}#{line}.")
        end

        def page(source, (parts, answer), times)
          wrong("#{source}: no answer (#{answer.error_detail || answer.error}).") if answer.error
          wrong("#{source} answers #{answer.status}.") if @pages_only && answer.status != 200

          Core::Desk::PageReading.call(
            answer.body.to_s,
            url: parts,
            header_lines: answer.header_lines,
            source: source,
            first_byte_ms: (times[times.size / 2] if @turns > 1),
            main: @main,
            status: answer.status
          )
        rescue Core::Page::Unreadable => error
          wrong("#{source}: #{error.message}.")
        end

        def file(path, bytes)
          Core::Desk::PageReading.call(bytes, source: path)
        rescue Core::Page::Unreadable => error
          wrong("#{path}: #{error.message}.")
        end

        def wrong(message) = raise(Core::Error::Conflict.new(message))
      end
    end
  end
end
