# frozen_string_literal: true

require "fileutils"
require "json"

module IronTrellis
  module Cli
    module Rendering
      # The command render: has one page rendered and writes what came of it.
      class Render
        WIDTHS = (200..4_000)

        # @param url [String]
        # @param options [Hash] agent, width, out, resolve, allow_private
        def initialize(url, options)
          @url = url
          @options = options
        end

        # @return [Integer] exit code
        # @raise [Ending] where there is no page
        def call
          folder
          looking = Work::Rendering::OneLook.at(
            parts,
            resolve: Crawling::Resolved.of(@options["resolve"]),
            allow_private: @options["allow_private"],
            ignore_robots: @options["ignore_robots"]
          )
          told = looking.call(parts, agent: @options["agent"], width: width, screenshot: true)
          write(told)
          raise Ending.new("#{@url}: #{told.rendered.error_detail}.", Ending::COULD_NOT) if told.rendered.error

          puts told.summary
          Ending::DONE
        ensure
          looking&.close
        end

        private

        def parts
          Core::Url::NormalForm.parse(@url)
        rescue Core::Url::NormalForm::Malformed => error
          raise Core::Error::InvalidInput.new("#{@url} can't be read as a web address: #{error.message}")
        end

        def width
          value = @options["width"]
          return value if WIDTHS.cover?(value)

          raise Core::Error::InvalidInput.new("--width #{value}: give from #{WIDTHS.min} to #{WIDTHS.max} pixels.")
        end

        def folder
          @folder ||= @options["out"].tap { |path| FileUtils.mkdir_p(path) }
        rescue SystemCallError => error
          raise Ending.new("The files can't be written to #{@options["out"]}: #{error.message}.", Ending::COULD_NOT)
        end

        def write(told)
          file("render.json", "#{JSON.pretty_generate(told.to_h)}\n")
          file("rendered.html", told.rendered.html)
          file("text.txt", told.rendered.text)
          file("screenshot.webp", told.rendered.screenshot)
        end

        def file(name, content) = content && ::File.binwrite(::File.join(folder, name), content)
      end
    end
  end
end
