# frozen_string_literal: true

module IronTrellis
  module Fetch
    module Rendering
      # So many browsers, each rendering one page at a time; one that a page took with it is started anew, and one that
      # has served long is, too.
      class Pool
        SIZE = 2
        # A browser keeps some of what each page took.
        PAGES_A_BROWSER = 200

        # @param policy [RequestPolicy]
        # @param size [Integer]
        def initialize(policy, size: SIZE)
          cache = KeptAnswers.new
          @size = size
          @free = Queue.new
          size.times { @free << [Browser.new(policy, cache: cache), 0] }
        end

        # @param url [Core::Url::Parts]
        # @return [Core::Rendering::Rendered] see Browser#render
        def render(url, **how)
          browser, served = @free.pop
          if served >= PAGES_A_BROWSER
            browser.close
            served = 0
          end
          browser.render(url, **how)
        ensure
          @free << [browser, served + 1] if browser
        end

        # @return [Integer] megabytes that the browsers that are idle hold
        def megabytes = idle { |browsers| browsers.sum(&:megabytes) }

        # @return [void]
        def close = idle { |browsers| browsers.each(&:close) }

        private

        def idle
          held = Array.new(@size) { @free.pop }
          yield held.map(&:first)
        ensure
          held.each { |one| @free << one }
        end
      end
    end
  end
end
