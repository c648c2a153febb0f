# frozen_string_literal: true

module IronTrellis
  module Work
    module Desk
      # Reads pages to be held against each other: from the web, each asked for three times in turn so that their times
      # can be compared, or from files.
      class PagesRead
        TURNS = 3
        MOST_HOPS = 5
        WEB = %r{\Ahttps?://}i

        # @param fetch [Crawling::OneFetch]
        # @param pace [#wait] before each request
        # @param main [Boolean] as of Core::Desk::PageReading
        def initialize(fetch, pace: Crawling::Pace.new(0), main: false)
          @fetch = fetch
          @pace = pace
          @main = main
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
            TURNS.times do |turn|
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
            @pace.wait(parts.authority)
            answer = client.fetch(parts)
            target = answer.leads_to(parts)
            return [parts, answer] unless target

            parts = target
          end
          wrong("#{parts} goes on and on.")
        end

        def page(source, (parts, answer), times)
          wrong("#{source}: no answer (#{answer.error_detail || answer.error}).") if answer.error
          wrong("#{source} answers #{answer.status}.") unless answer.status == 200

          Core::Desk::PageReading.call(
            answer.body.to_s,
            url: parts,
            header_lines: answer.header_lines,
            source: source,
            first_byte_ms: times[times.size / 2],
            main: @main
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
