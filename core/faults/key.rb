# frozen_string_literal: true

require "digest"

module IronTrellis
  module Core
    module Faults
      # What tells that a fault of now is one of before, in verdicts, fixes, conditions and proofs alike: its site, code
      # and URL, and what its rule says that stays the same of it from crawl to crawl (Rule.identity).
      module Key
        # What rules are asked for their identity by, where no more than this was kept of a fault.
        Kept = Struct.new(:about, :detail)

        module_function

        # @param site_id [Integer]
        # @param code [String]
        # @param url [String, nil]
        # @param identity [String, nil] see Rule.identity
        # @return [Integer] signed 64 bits
        def of(site_id, code, url, identity) =
          Digest::SHA256.digest([site_id, code, url, identity].join("\0")).unpack1("q>")

        # Of what a fix holds: a fault, or what was decided, which no rule tells.
        #
        # @param site_id [Integer]
        # @param held [Hash{String => String, nil}] code, url, about and, where it was kept with it, key
        # @return [String]
        def in(site_id, held)
          return held["key"] if held["key"]

          code, url, about = held.values_at("code", "url", "about")
          rule = Registry.find(code)
          of(site_id, code, url, rule ? identity(rule, about) : about).to_s
        end

        # @param rule [Class]
        # @param about [String, nil] what a fault of it is about, where nothing else was kept of it
        # @return [String, nil] see Rule.identity
        def identity(rule, about) = rule.identity(Kept.new(about, {}))
      end
    end
  end
end
