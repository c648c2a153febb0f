# frozen_string_literal: true

require "json"
require "net/http"

module IronTrellis
  module Ports
    # Those who change the site stand-in: they are told by HTTP what shall be otherwise. No other site has them.
    class StandInClient
      NAME = "maintenance"
      SIGN = "POST /pages"
      SECONDS = 5
      Answer = Struct.new(:code, :body)
      NOBODY = Answer.new("503", "nobody is there").freeze

      # @param host [String] main host of the site, such as www.skerrylamps.example
      # @param address [String] where it answers, "127.0.0.1:7420"
      def initialize(host, address)
        @host = "#{NAME}.#{host.delete_prefix("www.")}"
        @at, _, @port = address.rpartition(":")
      end

      # @return [Boolean] whether the stand-in answers there
      def there? = ask("GET", "/").body.to_s.include?(SIGN)

      # @param host [String]
      # @param path [String]
      # @param fields [Hash{String => Object}] what of the page shall be otherwise
      # @return [void]
      # @raise [Core::Error::Conflict] where they won't
      def change(host, path, fields) = tell("/pages", {host: host, path: path, set: fields})

      # @param url [String] of the page
      # @param image [String] address
      # @param alt [String] what shall stand for it there
      # @return [void]
      # @raise [Core::Error::Conflict]
      def describe(url, image, alt) = tell("/images", {page: url, image: image, alt: alt})

      # @param from [String] what links lead to
      # @param to [String] what they shall lead to
      # @return [void]
      # @raise [Core::Error::Conflict]
      def repoint(from, to) = tell("/links", {from: from, to: to})

      private

      def tell(path, order)
        answer = ask("POST", path, JSON.generate(order))
        return if answer.code == "200"

        raise Core::Error::Conflict.new("The stand-in won't: #{answer.body}")
      end

      def ask(verb, path, body = nil)
        Net::HTTP.start(@at, Integer(@port), open_timeout: SECONDS, read_timeout: SECONDS) do |http|
          http.send_request(verb, path, body, "Host" => @host, "Content-Type" => "application/json")
        end
      rescue *NetworkFailures::ALL
        NOBODY
      end
    end
  end
end
