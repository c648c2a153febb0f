# frozen_string_literal: true

module IronTrellis
  module Fetch
    module Rendering
      # Reads what a page has become: its document, how it lies in the window, and its picture. Scripts that never end
      # are stopped before it is asked a second time.
      class PageView
        # @param page [Ferrum::Page]
        # @param width [Integer] of the window
        def initialize(page, width)
          @page, @width = page, width
        end

        # Sets the width of the window.
        #
        # @param width [Integer]
        # @return [void]
        def lay(width)
          @page.command(
            "Emulation.setDeviceMetricsOverride",
            width: width,
            height: Limits::HEIGHT,
            deviceScaleFactor: 1,
            mobile: width < Core::Rendering::Layout::DESK / 2
          )
        end

        # @return [Hash{String => Object}, nil] html, text, url and height; nil where the page doesn't answer
        def document = asked(InPage::DOCUMENT)

        # @param width [Integer] that the window has
        # @return [Core::Rendering::Layout, nil] nil where the page doesn't answer
        def layout(width)
          told = asked(InPage::LAYOUT) or return
          fields = told.transform_keys(&:to_sym).slice(*Core::Rendering::Layout.members)
          Core::Rendering::Layout.new(**fields, width: width)
        end

        # @param height [Integer]
        # @return [String] the bytes of a WebP picture
        # @raise [Ferrum::Error]
        def picture(height)
          @page
            .command(
              "Page.captureScreenshot",
              timeout: Limits::READ_SECONDS * 2,
              format: "webp",
              quality: Limits::QUALITY,
              captureBeyondViewport: true,
              clip: {x: 0, y: 0, width: @width, height: [height, 1].max, scale: 1}
            )
            .fetch("data")
            .unpack1("m")
        end

        private

        def asked(script)
          evaluate(script)
        rescue ::Ferrum::TimeoutError
          begin
            @page.client.command("Runtime.terminateExecution", async: true)
            evaluate(script)
          rescue ::Ferrum::Error
            nil
          end
        rescue ::Ferrum::Error
          nil
        end

        def evaluate(script) =
          @page
            .command("Runtime.evaluate", timeout: Limits::READ_SECONDS, expression: script, returnByValue: true)
            .dig("result", "value")
      end
    end
  end
end
