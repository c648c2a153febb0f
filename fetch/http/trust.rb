# frozen_string_literal: true

require "openssl"

module IronTrellis
  module Fetch
    module Http
      # Whose certificates are believed, and what is wrong with one that isn't.
      module Trust
        PEM = Core::Settings::Fields::Certificates::PEM
        # By the words of OpenSSL's verification results.
        TROUBLES = [
          [/certificate has expired/i, "its certificate has expired"],
          [/not yet valid/i, "its certificate is not valid yet"],
          [
            /hostname mismatch|does not match the server certificate|IP address mismatch/i,
            "its certificate is for another name"
          ],
          [/self.signed certificate/i, "its certificate is signed by itself or by an unknown issuer"],
          [/unable to get (?:local )?issuer certificate|unable to verify/i, "the issuer of its certificate is unknown"],
          [/wrong version number|unknown protocol|http request/i, "it does not speak TLS there"]
        ].freeze

        module_function

        # @param pem [String, nil] certificates of further authorities
        # @return [OpenSSL::X509::Store] the system's authorities and those
        def store(pem)
          OpenSSL::X509::Store.new.tap do |store|
            store.set_default_paths
            pem.to_s.scan(PEM) { |certificate| store.add_cert(OpenSSL::X509::Certificate.new(certificate)) }
          end
        end

        # @param message [String] of an OpenSSL error
        # @return [String] in words
        def words(message) = TROUBLES.find { |pattern, _| pattern.match?(message) }&.last || message
      end
    end
  end
end
