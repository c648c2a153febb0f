# frozen_string_literal: true

module IronTrellis
  module Core
    module Page
      # Reads the value of a meta refresh or Refresh header (HTML standard, "shared declarative refresh steps").
      Refresh = Struct.new(:seconds, :target, :source, keyword_init: true) do
        # @return [Boolean] whether it acts as a redirect
        def instant? = seconds.zero?
      end

      class << Refresh
        VALUE = /\A\s*(\d+)(?:\.[\d.]*)?(?:\s*[;,]\s*|\s+|\z)(?:url\s*=\s*)?(.*)\z/im

        # @param value [String] "0; url=/new/"
        # @param source [String] "meta" or "header"
        # @param resolver [Url::Resolver]
        # @return [Refresh, nil] nil where it names no other address
        def read(value, source:, resolver:)
          match = VALUE.match(value) or return nil
          written = match[2].strip
          quote = written[/\A["']/]
          written = written[1..].partition(quote).first if quote
          return nil if written.empty?

          target = resolver.call(written)
          target && new(seconds: match[1].to_i, target: target, source: source)
        end
      end
    end
  end
end
