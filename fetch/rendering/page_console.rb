# frozen_string_literal: true

module IronTrellis
  module Fetch
    module Rendering
      # What a page says while it is drawn: messages and errors of its scripts, what the browser complains of, and the
      # dialogs that it opens, which are closed.
      class PageConsole
        # @return [Array<Hash{String => Object}>] level, text, url, line, as they came; at most Limits::MOST_CONSOLE
        attr_reader :messages

        def initialize = @messages = []

        # @param page [Ferrum::Page]
        # @yieldparam command [String] what is to be told to the browser, with its parameters
        # @return [void]
        def listen(page, &tell)
          page.on(:dialog) do |dialog|
            add("dialog", "the page opened a dialog: #{dialog.message}")
            tell.call("Page.handleJavaScriptDialog", accept: false)
          end
          page.on("Runtime.consoleAPICalled") { |told| of_script(told) }
          page.on("Runtime.exceptionThrown") { |told| of_exception(told["exceptionDetails"]) }
          page.on("Log.entryAdded") { |told| of_browser(told["entry"]) }
        end

        private

        def of_script(told)
          text = told["args"].map { |arg| arg["value"] || arg["description"] }.join(" ")
          add(told["type"], text, told.dig("stackTrace", "callFrames", 0))
        end

        def of_exception(details) = add("error", details.dig("exception", "description") || details["text"], details)

        def of_browser(entry)
          return if Requests::BY_ITSELF.match?(entry["url"].to_s)

          add(entry["level"], entry["text"], {"url" => entry["url"], "lineNumber" => entry["lineNumber"]})
        end

        def add(level, text, place = nil)
          return if @messages.size >= Limits::MOST_CONSOLE

          line = place&.fetch("lineNumber", nil)
          @messages << {
            "level" => level,
            "text" => text.to_s[0, 1_000],
            "url" => place&.fetch("url", nil),
            "line" => line && line + 1
          }
        end
      end
    end
  end
end
