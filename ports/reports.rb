# frozen_string_literal: true

module IronTrellis
  module Ports
    # Reports on paper, in the forms that people take: pdf, html or xlsx.
    module Reports
      # @return [Hash{String => #write}] by ending
      def self.forms = {"pdf" => Pdf, "html" => Html, "xlsx" => Xlsx}

      # @param ending [String]
      # @return [#write] with a TYPE
      # @raise [Core::Error::InvalidInput]
      def self.form(ending)
        forms.fetch(ending) do
          raise Core::Error::InvalidInput.new("A report is written as #{forms.keys.join(", ")}, not “#{ending}”.")
        end
      end
    end
  end
end
