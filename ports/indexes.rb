# frozen_string_literal: true

module IronTrellis
  module Ports
    # Interfaces of search indexes: those that the files in indexes/interfaces/ hold, each a class with a NAME, a LABEL
    # and a PLACE in lists, made with an address. It answers `standings`, `record(kind, from, to)`, `sitemaps`,
    # `requests`, `hides` and `ownership`, each yielding rows page by page and giving the day of which they are, and
    # `look(url)`; and takes `send_sitemap`, `withdraw_sitemap`, `request`, `hide` and `unhide`. Whatever keeps it from
    # answering is raised as Unavailable.
    module Indexes
      # The index can't be asked, or answers what can't be understood; nothing of it is to be kept.
      class Unavailable < Core::Error
      end

      # It refuses: a quota is used up, or the URL isn't the asker's.
      class Refused < Core::Error::Conflict
      end

      module_function

      # @return [Hash{String => Class}] by name
      def interfaces = @interfaces ||= FormatRegistry.in(Interfaces)

      # @param name [String]
      # @return [Class]
      # @raise [Core::Error::InvalidInput]
      def named(name)
        interfaces.fetch(name) do
          raise Core::Error::InvalidInput.new(
                  "There is no interface “#{name}”; use one of #{interfaces.keys.join(", ")}."
                )
        end
      end
    end
  end
end
