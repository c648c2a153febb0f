# frozen_string_literal: true

module IronTrellis
  module Fetch
    module Rendering
      # One page in the browser, from asking for it to what it has become.
      class Visit
        Rendered = Core::Rendering::Rendered
        Layout = Core::Rendering::Layout

        # @param ferrum [Ferrum::Browser]
        # @param browser [Browser] that has started it
        # @param policy [RequestPolicy]
        # @param cache [KeptAnswers]
        # @param url [Core::Url::Parts]
        # @param agent [String]
        # @param width [Integer]
        # @param given [Hash{String => Core::Crawling::Answer}]
        def initialize(ferrum, browser, policy, cache, url, agent, width, given)
          @ferrum, @browser, @policy, @cache = ferrum, browser, policy, cache
          @url, @agent, @width, @given = url, agent, width, given
          @console, @timings, @layouts = PageConsole.new, {}, []
          @navigations = 0
        end

        # @return [Boolean] whether the browser can't go on after it
        def broken? = !@broken.nil?

        # @param screenshot [Boolean]
        # @return [Core::Rendering::Rendered]
        def call(screenshot:)
          @began = now
          @page = @ferrum.create_page(new_context: true)
          @view = PageView.new(@page, @width)
          @requests =
            Requests.new(@policy, cache: @cache, agent: @agent, given: @given) do |name, **params|
              send_to_page(name, **params)
            end
          prepare
          send_to_page("Page.navigate", url: @url.to_s)
          ended_by = wait
          made(ended_by, screenshot)
        ensure
          @requests&.close
          dispose
        end

        private

        def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)

        def since_began = ((now - @began) * 1000).round

        # Without waiting for its answer: the page may hang.
        def send_to_page(name, **params) = @page.client.command(name, async: true, **params)

        def prepare
          listen
          @page.command("Inspector.enable")
          @page.command("Network.setBypassServiceWorker", bypass: true)
          @page.command("Network.setCacheDisabled", cacheDisabled: true)
          @page.command("Browser.setDownloadBehavior", behavior: "deny")
          @page.command("Emulation.setUserAgentOverride", userAgent: user_agent)
          @view.lay(@width)
          @page.command("Fetch.enable", patterns: [{urlPattern: "*"}])
        end

        def user_agent = (@agent == RequestPolicy::CRAWLER) ? @policy.user_agent : @policy.visitor_user_agent

        def listen
          @page.on("Fetch.requestPaused") { |paused| @requests.take(paused) }
          @console.listen(@page) { |name, **params| send_to_page(name, **params) }
          @page.on("Page.domContentEventFired") { @timings["content"] ||= since_began }
          @page.on("Page.loadEventFired") { @timings["load"] = since_began }
          @page.on("Page.frameNavigated") { |told| @navigations += 1 unless told["frame"]["parentId"] }
          @page.on("Inspector.targetCrashed") { @broken ||= "crashed" }
        end

        # @return [String, nil] of Rendered::ENDINGS; nil where it broke
        def wait
          step = 0
          loop do
            sleep Limits::STEP_SECONDS
            return if broken?
            return "time" if now - @began >= Limits::SECONDS
            return stopped if @navigations > Limits::MOST_NAVIGATIONS
            return "quiet" if quiet?

            @broken ||= "memory" if (step % Limits::MEMORY_STEPS).zero? && @browser.megabytes > Limits::MOST_MEGABYTES
            step += 1
          end
        end

        def stopped
          send_to_page("Page.stopLoading")
          "navigations"
        end

        # Scripts may still ask for something within the time that it has to be quiet.
        def quiet?
          return !@requests.quiet_since.nil? if over?

          since = @requests.quiet_since or return false
          done = @timings["load"] && now - [since, @began + @timings["load"] / 1000.0].max >= Limits::QUIET_SECONDS
          @timings["quiet"] = since_began if done
          done
        end

        # Nothing will be loaded any more: the document couldn't be had.
        def over? = @requests.done.any? { |one| one.document? && one.outcome != Core::Rendering::Request::LOADED } &&
          @requests.document.nil?

        def made(ended_by, screenshot)
          answer = @requests.document
          @timings["first_byte"] = answer.first_byte_ms if answer&.first_byte_ms
          rendered =
            Rendered.new(
              url: @url.to_s,
              agent: @agent,
              width: @width,
              answer: answer,
              ended_by: ended_by,
              console: @console.messages,
              timings: @timings,
              layouts: @layouts,
              missing: {}
            )
          read(rendered, screenshot)
          end_of(rendered)
          rendered.requests = @requests.done
          rendered
        end

        def read(rendered, screenshot)
          @wanted = screenshot ? PARTS + [PICTURE] : PARTS
          return failed(rendered, *why) if why

          document = @view.document
          return failed(rendered, broken_by, "the page stopped answering") if document.nil?

          rendered.html, rendered.text = document["html"], Core::Content::Blocks.tidy(+document["text"].tr("\n", "\0"))
          rendered.final_url = document["url"]
          look(rendered, document["height"], screenshot)
        end

        def look(rendered, height, screenshot)
          measure(@width)
          rendered.screenshot = @view.picture([height.to_i, Limits::MOST_HEIGHT].min) if screenshot
          return if @width == Layout::PHONE

          @view.lay(Layout::PHONE)
          measure(Layout::PHONE)
        rescue ::Ferrum::TimeoutError, ::Ferrum::DeadBrowserError, ::Ferrum::NoSuchPageError
          @broken ||= "hung"
        rescue ::Ferrum::Error => error
          @unseen = "the browser made none (#{error.message.lines.first.to_s.strip})"
        end

        # What there is not is said, and why.
        def end_of(rendered)
          why = rendered.error_detail || ("the page stopped answering" if broken?) || @unseen
          # What goes on and on can't always be asked while it does.
          rendered.ended_by = "hung" if @broken == "hung" && rendered.ended_by != "navigations"
          rendered.missing = @wanted.reject { |part| rendered[part]&.then { |one| one != [] } }
            .to_h { |part| [part.to_s, why || "the browser gave none"] }
        end

        PICTURE = :screenshot
        PARTS = %i[html text layouts].freeze

        # Why nothing can be read.
        def why
          document = @requests.done.reverse.find(&:document?)
          return [@broken, WORDS.fetch(@broken)] if broken?
          return ["blocked", document.why] if document&.outcome == Core::Rendering::Request::BLOCKED
          return ["no_answer", document&.why || "nothing came"] if @requests.document.nil?

          kind = @requests.document.headers.first("content-type").to_s
          ["not_html", "it is #{kind}"] unless kind.empty? || kind.match?(/html|xml/i)
        end

        WORDS = {
          "crashed" => "the page took its part of the browser with it",
          "memory" => "the page took more than #{Limits::MOST_MEGABYTES} MB"
        }.freeze

        def broken_by = @broken ||= "hung"

        def failed(rendered, error, detail) = (rendered.error, rendered.error_detail = error, detail)

        def measure(width) = @view.layout(width)&.then { |layout| @layouts << layout }

        def dispose
          context = @page && @ferrum.contexts.find_by(target_id: @page.target_id)
          @ferrum.contexts.dispose(context.id) if context && !broken?
        rescue ::Ferrum::Error
          @broken ||= "hung"
        end
      end
    end
  end
end
