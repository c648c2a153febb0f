# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # Something that decides about a page is there only after scripts, or scripts change it.
        class RenderOnly < PageRule
          CODE = "render-only"
          TITLE = "Scripts add or change what counts"
          ABOUT = "What"
          GRADE = "diverts"
          WHY =
            "Crawlers read pages first as they are sent, and run scripts later or never: until then they see another " \
            "title, other directives, no text or no links."
          FIX = "Have the server send it."
          KIND = "server"
          TASK = "Serve without scripts what counts"
          SOURCE = "CP"
          OK = 200
          DETAILS = {
            "added" => ["Links by scripts", :urls],
            "removed" => ["Links that scripts take away", :urls],
            "more" => ["Further links", :number]
          }.freeze
          # By what differs, as people call it.
          COUNTS = {
            "title" => "title",
            "canonical" => "canonical",
            "noindex" => "noindex",
            "links" => "links",
            "text" => "main text"
          }.freeze

          def check(page)
            # A noindex by script has closed it already.
            return unless page.kind == "html" && page.status == OK

            changes = (page.changed_by_script || {}).slice(*COUNTS.keys)
            changes.filter_map { |what, (raw, now)| changed(page, what, raw, now) }
          end

          private

          # Of links those that are added count.
          def changed(page, what, raw, now)
            return if what == "links" && now.empty?

            named = (what == "links") ? Rendering::Reading.named(raw, now) : {}
            fault(page, about: COUNTS.fetch(what), before: short(raw), after: short(now), **named)
          end

          def short(value) = value.is_a?(Array) ? value.size.to_s : value&.to_s
        end
      end
    end
  end
end
