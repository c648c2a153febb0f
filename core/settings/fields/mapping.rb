# frozen_string_literal: true

module IronTrellis
  module Core
    module Settings
      module Fields
        # Host and port, each sent to an address instead of where its name leads.
        class Mapping < Field
          FROM = /\A[^\s:]+:\d{1,5}\z/
          TO = /\A(?:\d{1,3}(?:\.\d{1,3}){3}|\[[\h:.]+\])(?::\d{1,5})?\z/

          def problems(value)
            return ["“#{name}” must name an address for each host and port."] unless value.is_a?(Hash)

            value
              .reject { |from, to| FROM.match?(from) && TO.match?(to.to_s) }
              .map do |from, to|
                "“#{from} to #{to}” can't be mapped. Give host:port and an address, which may have a port of its own."
              end
          end
        end
      end
    end
  end
end
