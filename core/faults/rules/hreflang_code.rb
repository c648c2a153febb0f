# frozen_string_literal: true

module IronTrellis
  module Core
    module Faults
      module Rules
        # An hreflang that is no tag a search engine can use.
        class HreflangCode < PageRule
          CODE = "hreflang-code"
          TITLE = "Language code isn't valid"
          ABOUT = "Code"
          GRADE = "weakens"
          WHY = "The annotation is passed over, and with it the page for readers of that language."
          FIX = "Write a language of ISO 639-1, and a region of ISO 3166-1 if one is meant: en-GB, not en-UK."
          KIND = "languages"
          SOURCE = "RFC 5646; ISO 639-1; ISO 3166-1; IANA Language Subtag Registry"

          def check(page)
            page.hreflang.to_h { |one| [one["code"], Languages::Tag.read(one["code"])] }.reject { |_, tag| tag.usable? }
              .map { |code, tag| fault(page, about: code, reason: tag.reason, likely: tag.likely) }
          end
        end
      end
    end
  end
end
