# frozen_string_literal: true

module IronTrellis
  module Work
    module Desk
      # Makes a fix of what a draft changes on a page, with the texts before and after, and hands it over.
      class HandingOver
        # @param site [Store::Sites::Site]
        # @param sheet [Sheet]
        # @param now [Time]
        def initialize(site, sheet, now:)
          @site, @sheet, @now = site, sheet, now
        end

        # @param by [String]
        # @return [Store::Workplan::Fix]
        # @raise [Core::Error::InvalidInput] where the draft changes nothing
        def call(by:)
          changes = @sheet.changes
          raise Core::Error::InvalidInput.new("The draft changes nothing yet: write something first.") if changes.empty?

          fix = Workplan::HandMade.add(@site, input, by: by, now: @now)
          fix.update!(faults: changes.map { |change| fault(*change) }, hours: hours(changes))
          fix.become(Core::Workplan::States::HANDED_OVER, now: @now, by: by)
          fix
        end

        private

        def url = @sheet.page.url

        def input =
          {
            "kind" => "content",
            "title" => "Write #{url[%r{\Ahttps?://[^/]+(/.*)\z}, 1]} as drafted"[0, Workplan::HandMade::MOST_TITLE],
            "reason" => phrases,
            "urls" => [url]
          }

        def phrases
          phrases = @sheet.page.phrases.map { |one| "“#{one}”" }
          phrases.any? ? "To be found for #{phrases.join(", ")}" : ""
        end

        def fault(element, before, after) =
          {
            "code" => "drafted-#{element}",
            "url" => url,
            "about" => [before, after].join(Core::Proofs::Checks::Drafted::TO)
          }

        def hours(changes)
          effort = Workplan::WorkplanSettings.new(@site).effort
          table = Core::Workplan::Effort::DEFAULTS.merge(effort)
          changes.sum { |element, *| table.fetch(KINDS.find { |start, _| element.start_with?(start) }.last) }.round(2)
        end
        KINDS = {
          "title" => "title",
          "description" => "description",
          "data" => "data",
          "h" => "h1",
          "alt" => "image",
          "text" => "text"
        }.freeze
      end
    end
  end
end
