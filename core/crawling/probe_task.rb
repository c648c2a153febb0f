# frozen_string_literal: true

require "digest"

module IronTrellis
  module Core
    module Crawling
      # An address of a host that nobody linked to, to be asked for in order to see what it answers. `kind` is one of
      # HostVariants'.
      ProbeTask = Struct.new(:url, :host_id, :kind) do
        # @return [Url::Parts]
        def parts = @parts ||= Url::NormalForm.split(url)

        def head? = false

        def given_up? = false

        def external? = false

        # @return [Boolean] whether it is / under another address, which is asked for without asking there for a
        #   robots.txt first
        def variant? = kind != HostVariants::MISSING
      end

      class << ProbeTask
        # @param origin [String]
        # @return [String] an address that no site has, the same for each crawl of it
        def missing_url(origin) =
          "#{origin}/iron-trellis-asks-for-a-page-that-is-not-there-#{Digest::SHA256.hexdigest(origin)[0, 10]}"
      end
    end
  end
end
