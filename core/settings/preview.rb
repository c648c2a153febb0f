# frozen_string_literal: true

module IronTrellis
  module Core
    module Settings
      # Tries settings against URLs: what would become of each in a crawl.
      class Preview
        # `url` as given, `normal` its normal form without dropped parameters (nil where it is none), `taken` whether it
        # would be fetched, `why` in words.
        Verdict = Struct.new(:url, :normal, :taken, :why, keyword_init: true)

        # @param settings [Crawl]
        def initialize(settings)
          @settings = settings
          @scope = settings.scope
          @resolver = Url::Resolver.new(nil, drop: settings.dropped_parameters)
          @spaces = Url::Spaces.new(caps: settings.caps, trap_limit: settings.trap_limit)
        end

        # Of each pattern what it is read as, and how many of the URLs match it.
        Read = Struct.new(:field, :pattern, :meaning, :matches, keyword_init: true)

        # @param urls [Array<String>] in normal form
        # @return [Array<Read>]
        def patterns(urls)
          {
            "include" => @settings.include,
            "exclude" => @settings.exclude,
            "caps" => @settings.caps.map { |cap| cap["pattern"] }
          }.flat_map do |field, sources|
            sources
              .map { |source| Url::Pattern.new(source) }
              .map do |pattern|
                Read.new(
                  field: field,
                  pattern: pattern.source,
                  meaning: pattern.meaning,
                  matches: urls.count { |url| pattern.match?(url) }
                )
              end
          end
        end

        # @param urls [Array<String>] as people paste them
        # @return [Array<Verdict>]
        def call(urls) = urls.map { |url| verdict(url.strip) }

        private

        def verdict(url)
          normal = @resolver.call(url)
          return Verdict.new(url: url, normal: nil, taken: false, why: "it is not a web address") unless normal

          objection = @scope.objection(normal)
          Verdict.new(
            url: url,
            normal: normal,
            taken: objection.nil?,
            why: objection ? words(*objection) : remark(normal)
          )
        end

        def words(reason, what)
          case reason
          when :host then "the host #{what} is not in scope"
          when :folder then "it lies outside the folders"
          when :include then "it matches none of “only these”"
          when :exclude then "left out by #{what}"
          end
        end

        def remark(normal)
          space = @spaces.of(normal) or return nil
          if space.kind == Url::Spaces::PATTERN
            "at most #{space.most} of #{space.name}"
          else
            "looks like a space without end (#{space.kind}): at most #{space.most} of #{space.name}"
          end
        end
      end
    end
  end
end
