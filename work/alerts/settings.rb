# frozen_string_literal: true

require "securerandom"

module IronTrellis
  module Work
    module Alerts
      # Who hears of a site's alerts, and from where on something is one.
      class Settings
        MOST = 20
        MAIL = /\A[^@\s,;<>"]+@[^@\s,;<>"]+\.[^@\s,;<>".]+\z/
        Error = Core::Error::InvalidInput

        # @param site [Store::Sites::Site]
        def initialize(site)
          @site = site
        end

        # @return [Array<String>] e-mail addresses
        def mails = kept("mails", [])

        # @return [String] address of the webhook, empty where there is none
        def webhook = kept("webhook", "")

        # @return [String] with which what is sent there is signed
        def secret = kept("secret", "")

        # @return [Hash{String => Numeric}] all of them
        def limits = Core::Alerts::Alert::LIMITS.merge(kept("limits", {}))

        # @param input [Hash{String => Object}] mails, webhook and limits; what isn't given stays
        # @return [void]
        # @raise [Core::Error::InvalidInput] and nothing is kept
        def keep(input)
          values = {
            "mails" => input["mails"]&.map { |one| mail(one) },
            "webhook" => input["webhook"]&.then { |one| hook(one) },
            "limits" => input["limits"]&.then { |one| limit(one) }
          }.compact
          values["secret"] = SecureRandom.hex(20) if secret.empty? && !values["webhook"].to_s.empty?
          raise Error.new("#{MOST} addresses can be told at most.") if values.fetch("mails", []).size > MOST

          @site.update!(alert_settings: @site.alert_settings.merge(values))
        end

        # @return [Hash{String => Object}] for lists
        def to_h = {"mails" => mails, "webhook" => webhook, "secret" => secret, "limits" => limits}

        private

        def kept(name, usual) = @site.alert_settings.fetch(name, usual)

        def mail(text)
          text = text.to_s.strip
          MAIL.match?(text) ? text : raise(Error.new("“#{text}” is no e-mail address."))
        end

        def hook(text)
          text = text.to_s.strip
          text.empty? ? "" : Sites::Keeping.read_address(text)
        end

        def limit(given)
          unknown = given.keys - Core::Alerts::Alert::LIMITS.keys
          raise Error.new("There is no limit “#{unknown.first}”.") if unknown.any?

          wrong = given.find { |_, one| !one.is_a?(Numeric) || one.negative? }
          raise Error.new("“#{wrong.last}” is no limit for #{wrong.first}.") if wrong

          given
        end
      end
    end
  end
end
