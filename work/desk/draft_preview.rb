# frozen_string_literal: true

module IronTrellis
  module Work
    module Desk
      # A page drawn by a browser with its draft in it; all else comes from the site as it is.
      class DraftPreview
        # @param site [Store::Sites::Site]
        # @param url_id [Integer]
        # @param now [Time]
        def initialize(site, url_id, now:)
          @site = site
          @sheet = Sheet.new(site, url_id, now: now)
        end

        # @return [Core::Rendering::Rendered]
        def call
          settings, secrets = @site.crawl_settings, Store::Settings::Secrets.of(@site.id)
          parts = Core::Url::NormalForm.parse(@sheet.page.url)
          answer = Crawling::OneFetch.of(settings, secrets).call { |client| client.fetch(parts) }
          raise Core::Error::Conflict.new("#{parts} gives no answer.") if answer.error

          put_in(answer, parts)
          looking = Rendering::OneLook.new(settings, secrets)
          looking.call(parts, agent: "visitor", screenshot: true, answer: answer).rendered
        ensure
          looking&.close
        end

        private

        def put_in(answer, parts)
          page = Core::Desk::PageReading.call(answer.body, url: parts, header_lines: answer.header_lines, main: true)
          type = answer.headers.first("content-type").to_s[/charset\s*=\s*"?([^"\s;]+)/i, 1]
          html, = Core::Page::Charset.decode(answer.body, type)
          answer.body = Core::Desk::DraftedDocument.of(html, parts, page, @sheet.page.draft).b
          answer.header_lines = Core::Rendering::Reading.as_utf8(answer.header_lines)
        end
      end
    end
  end
end
