# frozen_string_literal: true

module IronTrellis
  module Work
    module Reports
      # The forms in which people take reports: pdf, html or xlsx.
      module Forms
        module_function

        # @return [Hash{String => #write}] by ending
        def all = {"pdf" => Pdf, "html" => Ports::Reports::Html, "xlsx" => Ports::Reports::Xlsx}

        # @param ending [String]
        # @return [#write] with a TYPE
        # @raise [Core::Error::InvalidInput]
        def named(ending)
          all.fetch(ending) do
            raise Core::Error::InvalidInput.new("A report is written as #{all.keys.join(", ")}, not “#{ending}”.")
          end
        end
      end
    end
  end
end
