# frozen_string_literal: true

require "diff/lcs"
require "nokolexbor"

module IronTrellis
  module Core
    module Desk
      # The document of a page with a draft in it, as a preview: its own markup, other words.
      module DraftedDocument
        HEADINGS = "h1, h2, h3, h4, h5, h6"
        BLOCKS = "p, li, td, th, dt, dd, blockquote, figcaption"

        module_function

        # @param html [String] UTF-8
        # @param url [Url::Parts]
        # @param page [Page] as it is
        # @param draft [Hash{String => Object}] as Draft.read gives it
        # @return [String]
        def of(html, url, page, draft)
          document = Nokolexbor::HTML(html)
          after = Draft.new(draft).on(page)
          head(document, after)
          document.css(HEADINGS).zip(after.outline) { |node, (_, text)| node.content = text if text }
          pictures(document, Url::Resolver.new(url), after)
          text(document, page, after) if draft["text"]
          document.to_html
        end

        def head(document, after)
          document.at_css("title")&.content = after.title.to_s
          meta = document.css("meta[name]").find { |one| one["name"].casecmp?("description") }
          meta["content"] = after.description.to_s if meta
        end

        def pictures(document, resolver, after)
          alts = after.pictures.to_h
          document.css("img[src]").each do |node|
            alt = alts[resolver.call(node["src"])]
            node["alt"] = alt if alt
          end
        end

        # Blocks whose line was written anew take it; what is new stands at the end of the main part.
        def text(document, page, after)
          before, now = page.of("text"), after.of("text")
          changed = Diff::LCS.sdiff(before, now).reject(&:unchanged?)
          blocks = document.css(BLOCKS).group_by { |node| Content::Folded.of(node.text) }
          changed.each do |change|
            node = change.old_element && blocks[change.old_element]&.shift
            if node then change.new_element ? node.content = change.new_element : node.remove
            elsif change.new_element
              append(document, change.new_element)
            end
          end
        end

        def append(document, line)
          paragraph = document.create_element("p")
          paragraph.content = line
          (document.at_css("main") || document.at_css("body"))&.add_child(paragraph)
        end
        private_class_method :head, :pictures, :text, :append
      end
    end
  end
end
