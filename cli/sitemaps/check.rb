# frozen_string_literal: true

module IronTrellis
  module Cli
    module Sitemaps
      # The command sitemap check: reads one sitemap file as a stream and prints what it is and what is wrong with it.
      class Check
        WEB = %r{\Ahttps?://}i

        # @param source [String] a file or a web address
        # @param options [Hash] json, location
        def initialize(source, options)
          @source = source
          @options = options
        end

        # @return [Integer] exit code
        def call
          found = @source.match?(WEB) ? live : file
          @options["json"] ? Printed.json(found) : print(found)
          Ending::DONE
        end

        private

        def file
          File.open(@source, "rb") do |io|
            summary(*Work::Sitemaps::Check.call(io, location: @options["location"], now: Time.now))
          end
        rescue Errno::ENOENT, Errno::EISDIR, Errno::EACCES
          raise Ending.new(
            "There is no file #{@source} that can be read. Give a file, or a web address with http:// or https:// in " \
            "front.",
            Ending::COULD_NOT
          )
        end

        def live
          url = Core::Url::NormalForm.parse(@source)
          fetched =
            Work::Crawling::OneFetch.anywhere.call do |client|
              Fetch::Sitemaps::SitemapFetch.call(client, url, now: Time.now)
            end
          read = fetched.reading
          return summary(read, read.entries.map(&:url) + read.sitemaps) if read

          flaw =
            Core::Sitemaps::Flaw.new(
              code: "sitemap-unreadable",
              about: [
                ("status #{fetched.status}" if fetched.status),
                (fetched.error unless fetched.error == "status")
              ].compact.join(", ")
            )
          summary(Core::Sitemaps::Reader::Result.new(kind: "unknown", count: 0, bytes: 0, flaws: [flaw]), [])
        end

        def summary(result, urls)
          index = result.kind == "index"
          {
            kind: result.kind,
            urls: index ? 0 : result.count,
            sitemaps: index ? result.count : 0,
            bytes: result.bytes,
            faults: result.flaws.map { |flaw| {code: flaw.code, line: flaw.line, about: flaw.about} },
            first: urls.first(Work::Sitemaps::Check::FIRST)
          }
        end

        def print(found)
          puts "#{@source}: #{found[:kind]}, #{found[:urls]} URLs, #{found[:sitemaps]} sitemaps, #{found[:bytes]} bytes"
          if found[:faults].empty?
            puts("No fault found.")
          else
            Printed.table(%w[fault line about], found[:faults].map(&:values))
          end
        end
      end
    end
  end
end
