# frozen_string_literal: true

module IronTrellis
  module Ports
    # Sets of languages in the forms that pages, servers and people take: those that the files in lines/ hold, each with
    # its NAME, PLACE in lists, ENDING of files, TYPE and .write(pages).
    module Languages
      # @param name [String] head, header, sitemap or csv
      # @return [Module]
      # @raise [Core::Error::InvalidInput]
      def self.form(name)
        forms = (@forms ||= FormatRegistry.in(Lines))
        forms.fetch(name) do
          raise Core::Error::InvalidInput.new("“#{name}” is no form of a set; use one of #{forms.keys.join(", ")}.")
        end
      end
    end
  end
end
