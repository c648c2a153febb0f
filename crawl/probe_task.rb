# frozen_string_literal: true

require "digest"

module IronTrellis
  module Crawl
    # A made-up path of a host, to be fetched in order to see how its missing pages look.
    ProbeTask = Struct.new(:url, :host_id) do
      # @return [Core::Url::Parts]
      def parts = @parts ||= Core::Url::NormalForm.split(url)

      def head? = false

      def given_up? = false
    end

    class << ProbeTask
      # @param origin [String]
      # @return [String] an address that no site has, the same for each crawl of it
      def url_for(origin) = "#{origin}/iron-trellis-asks-for-a-page-that-is-not-there-#{Digest::SHA256.hexdigest(origin)[0, 10]}"
    end
  end
end
