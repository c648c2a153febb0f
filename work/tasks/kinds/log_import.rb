# frozen_string_literal: true

require "ipaddr"

module IronTrellis
  module Work
    module Tasks
      module Kinds
        # Reads an access log that was brought.
        module LogImport
          CODE = "log_import"
          DOING = "an import of logs"

          module_function

          # @param input [Hash{String => Object}] site, upload (ids), verified ({agent => [ranges]}), by
          # @yieldparam done [Integer] lines read
          # @yieldparam total [nil]
          # @return [Hash] as Evidence::Logs#call
          def call(input, now:)
            site = Store::Sites::Site.fetch(input["site"])
            upload = Store::Evidence::Upload.where(site_id: site.id).fetch(input["upload"])
            verified = (input["verified"] || {}).transform_values { |ranges| ranges.map { |text| range(text) } }
            logs = Evidence::Logs.new(site, verified: verified, by: input["by"], now: now)
            result = upload.with_file { |path| logs.call([path], names: [upload.name]) { |rows| yield rows, nil } }
            upload.destroy!
            result
          end

          def range(text)
            IPAddr.new(text)
          rescue IPAddr::Error
            raise Core::Error::InvalidInput.new("“#{text}” is no range of addresses, such as 192.0.2.0/24.")
          end
          private_class_method :range
        end
      end
    end
  end
end
