# frozen_string_literal: true

module IronTrellis
  module Fetch
    module Http
      # How requests are made: who we say we are, what goes along, how long we wait and how much we take. `headers`
      # (pairs of name and value: sign-in, cookies) go to `hosts` only, so that no other host learns them. `trust` is
      # the PEM text of further authorities. A `fresh` one asks caches on the way to stand aside (RFC 9111 section
      # 5.2.1.4).
      RequestProfile =
        Struct.new(
          :user_agent,
          :headers,
          :hosts,
          :connect_seconds,
          :first_byte_seconds,
          :seconds,
          :body_limit,
          :proxy,
          :trust,
          :fresh,
          keyword_init: true
        ) do
          # @param settings [Core::Settings::Crawl]
          # @param secrets [Core::Settings::Secrets]
          # @return [RequestProfile]
          def self.of(settings, secrets)
            new(
              user_agent: settings.user_agent,
              headers: secrets.header_pairs,
              hosts: settings.scope.hosts,
              connect_seconds: settings.connect_seconds,
              first_byte_seconds: settings.first_byte_seconds,
              seconds: settings.seconds,
              body_limit: settings.body_limit,
              proxy: secrets.proxy.empty? ? nil : Core::Url::NormalForm.parse(secrets.proxy),
              trust: settings.trusted_authority
            )
          end

          # @return [OpenSSL::X509::Store] read once, for all who ask this way, since reading the system's authorities
          #   takes a while
          def trust_store = @trust_store ||= Trust.store(trust)

          # @param url [Core::Url::Parts]
          # @return [Hash{String => String}] request headers
          def request_headers(url)
            own = {
              "Host" => url.authority,
              "User-Agent" => user_agent,
              "Accept" => "*/*",
              "Accept-Encoding" => Decoding::ACCEPTED,
              **(fresh ? {"Cache-Control" => "no-cache"} : {})
            }
            (headers.any? && hosts.key?(url.authority)) ? own.merge(headers.to_h) : own
          end
        end
    end
  end
end
