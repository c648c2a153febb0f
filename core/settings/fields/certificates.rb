# frozen_string_literal: true

require "openssl"

module IronTrellis
  module Core
    module Settings
      module Fields
        # Certificates of authorities in PEM form, one after the other.
        class Certificates < Field
          PEM = /-----BEGIN CERTIFICATE-----.+?-----END CERTIFICATE-----/m

          def problems(value)
            return ["The authority's certificate must be a text."] unless value.is_a?(String)
            return [] if value.strip.empty?

            parts = value.scan(PEM)
            if parts.empty?
              return [
                "This is no certificate. Paste the authority's certificate with its lines BEGIN CERTIFICATE and END " \
                "CERTIFICATE."
              ]
            end

            parts.each { |part| OpenSSL::X509::Certificate.new(part) }
            []
          rescue OpenSSL::X509::CertificateError => error
            ["The authority's certificate can't be read: #{error.message}."]
          end
        end
      end
    end
  end
end
