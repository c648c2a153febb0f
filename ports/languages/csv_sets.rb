# frozen_string_literal: true

module IronTrellis
  module Ports
    module Languages
      # Sets of languages as a CSV of url, hreflang, target: a row an annotation.
      module CsvSets
        COLUMNS = %w[url hreflang target].freeze

        module_function

        # @param source [String, IO] the file's bytes
        # @return [Array(Array<Core::Languages::Annotation>, Array<Tables::CsvRows::Bad>)] what can be used, and the
        #   lines that can't
        # @raise [Core::Error::InvalidInput]
        def read(source)
          rows = Tables::CsvRows.new(source, COLUMNS)
          found = []
          rows.each do |row, line|
            url = Core::Url::NormalForm.parse?(row["url"])
            target = Core::Url::Resolver.new(url).call(row["target"]) if url && !row["target"].empty?
            why = wrong(row, url, target)
            if why
              rows.refuse(line, why)
            else
              found << Core::Languages::Annotation.new(
                url: url.to_s,
                code: row["hreflang"],
                target: target,
                source: "csv",
                relative: !row["target"].match?(%r{\Ahttps?://}i),
                line: line
              )
            end
          end
          [found, rows.bad]
        end

        def wrong(row, url, target)
          return "“url” must be a web address, not “#{row["url"]}”" unless url
          return "“target” must be a web address, not “#{row["target"]}”" unless target

          "“hreflang” is empty" if row["hreflang"].empty?
        end
        private_class_method :wrong
      end
    end
  end
end
