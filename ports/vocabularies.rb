# frozen_string_literal: true

module IronTrellis
  module Ports
    # Vocabularies that are published by others, as data.
    module Vocabularies
      FILE = File.join(__dir__, "vocabularies", "schema_org.txt")

      module_function

      # @return [Core::StructuredData::SchemaOrg] read once
      def schema_org = @schema_org ||= Core::StructuredData::SchemaOrg.new(File.foreach(FILE))
    end
  end
end
